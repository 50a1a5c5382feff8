<?php

declare(strict_types=1);

namespace Zetema\Core\Objective;

use Zetema\Core\Data\Fields;

/** A learning objective where it stands in a bank's tree. */
final readonly class ObjectiveNode
{
    /**
     * @param int|null $parent the id of what it lies below; null: at the top
     * @param string $code a short sign for it, as a syllabus has; empty: none
     */
    public function __construct(
        public int $id,
        public ?int $parent,
        public string $name,
        public string $code = '',
        public string $description = '',
    ) {
    }

    public static function fromData(Fields $data): self
    {
        return new self(
            $data->integer('id'),
            $data->optionalInteger('parent'),
            $data->text('name'),
            $data->text('code', ''),
            $data->text('description', ''),
        );
    }

    /** @return array{id: int, parent: int|null, name: string, code: string, description: string} */
    public function toData(): array
    {
        return [
            'id' => $this->id,
            'parent' => $this->parent,
            'name' => $this->name,
            'code' => $this->code,
            'description' => $this->description,
        ];
    }

    public function below(?int $parent): self
    {
        return new self($this->id, $parent, $this->name, $this->code, $this->description);
    }
}
