<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\Core\Data\Fields;

/** Fills in how large a question's picture is, where the bank has it and nobody wrote it: clicks, spots and guesses go by it. */
final readonly class PictureSizes
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    public function fill(Bank $bank, Fields $content): Fields
    {
        $data = $content->raw();
        $picture = is_array($data['picture'] ?? null) ? $data['picture'] : null;
        if ($picture === null || isset($picture['width']) || !is_string($picture['file'] ?? null)) {
            return $content;
        }
        $medium = $this->em->getRepository(Medium::class)->findOneBy(['bank' => $bank, 'name' => $picture['file']]);
        if ($medium?->width === null) {
            return $content;
        }

        return Fields::of([...$data, 'picture' => [...$picture, 'width' => $medium->width, 'height' => $medium->height]]);
    }
}
