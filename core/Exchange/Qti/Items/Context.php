<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Items;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\Texts\PictureSize;
use Zetema\Core\Exchange\Qti\Variables\ResponseDeclaration;
use Zetema\Core\Exchange\Qti\Variables\Value;
use Zetema\Core\Exchange\Qti\Xml\Element;

/** What an interaction is read with: the body it stands in, its variables, the rules, the package's files. */
final readonly class Context
{
    /** @param array<string, ResponseDeclaration> $declarations */
    public function __construct(
        public Element $item,
        public Body $body,
        public array $declarations,
        public ?Element $rules,
        public Listing $listing,
        public ?PackageFiles $files,
        private string $title,
    ) {
    }

    public function declaration(Element $interaction): ResponseDeclaration
    {
        return $this->declarations[$interaction->attribute('responseIdentifier') ?? ''];
    }

    /** The stem; where the item has none, its title. */
    public function stem(string $text): string
    {
        return $text === '' ? $this->title : $text;
    }

    public function text(Element $choice): string
    {
        return $this->body->flow->blocks($choice);
    }

    /** Takes what says nothing here, such as that an order is shuffled. */
    public static function always(Element $interaction): void
    {
        foreach ($interaction->children() as $child) {
            array_map($child->attribute(...), ['identifier', 'fixed', 'matchMax', 'matchMin', 'showHide', 'templateIdentifier']);
        }
        $interaction->attribute('shuffle');
        $interaction->attribute('orientation');
    }

    /** The picture of a graphic interaction: its first object, in version 3 also an img or picture. */
    public function picture(Element $interaction): PictureRef
    {
        $object = $interaction->child('object', 'img', 'picture') ?? throw new Unreadable($interaction);
        $object = $object->name === 'picture' ? $object->take()->child('img') ?? throw new Unreadable($interaction) : $object;
        [$width, $height] = [self::pixels($object->attribute('width')), self::pixels($object->attribute('height'))];
        $file = $this->body->flow->mediumFile($object) ?? throw new Unreadable($interaction);
        $shows = $this->body->flow->shows($object, $file);

        return new PictureRef(
            $this->body->flow->named($file),
            $shows,
            $width === null || $height === null ? $this->sizeOf($file) : [$width, $height],
        );
    }

    /** @return array{int, int}|null */
    private function sizeOf(string $file): ?array
    {
        $bytes = $this->files?->contents($file);

        return $bytes === null ? null : PictureSize::of($bytes);
    }

    private static function pixels(?string $written): ?int
    {
        $number = Value::number(rtrim($written ?? '', 'px '));

        return $number === null || !$number->isPositive() || $number->compareTo(99_999) > 0 ? null : (int) (string) $number->rounded(0);
    }
}
