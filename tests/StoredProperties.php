<?php

declare(strict_types=1);

namespace Zetema\Tests;

use Doctrine\ORM\Mapping\Column;
use PHPStan\Reflection\ExtendedPropertyReflection;
use PHPStan\Rules\Properties\ReadWritePropertiesExtension;

/** Tells PHPStan that a stored property is read and written by the database: lists and draws ask for columns that no method reads. */
final class StoredProperties implements ReadWritePropertiesExtension
{
    public function isAlwaysRead(ExtendedPropertyReflection $property, string $propertyName): bool
    {
        return $this->isStored($property, $propertyName);
    }

    public function isAlwaysWritten(ExtendedPropertyReflection $property, string $propertyName): bool
    {
        return $this->isStored($property, $propertyName);
    }

    public function isInitialized(ExtendedPropertyReflection $property, string $propertyName): bool
    {
        return false;
    }

    private function isStored(ExtendedPropertyReflection $property, string $name): bool
    {
        $class = $property->getDeclaringClass()->getNativeReflection();

        return $class->hasProperty($name) && $class->getProperty($name)->getAttributes(Column::class) !== [];
    }
}
