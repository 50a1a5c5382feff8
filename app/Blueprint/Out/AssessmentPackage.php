<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Out;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Out\BankPackage;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\DealtQuestions;
use Zetema\App\Blueprint\NotCleared;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Exchange\Qti\Writing\PackageWriter;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\TextFormat;

/** An assessment with all that it can deal from its bank as a package of the open standard, and beforehand what of it that cannot say. */
final readonly class AssessmentPackage
{
    public function __construct(private EntityManagerInterface $em, private DealtQuestions $questions, private Media $media)
    {
    }

    /**
     * @return array<string, string> contents by path
     *
     * @throws Malformed|NotCleared if there are too many questions, or some that may not be dealt
     */
    public function files(Blueprint $blueprint, Version $version): array
    {
        return $this->written($blueprint, $version)[0]->files;
    }

    /**
     * @return array{questions: int, missing: list<array{what: string, items: list<string>}>} what is said, and of which questions, pages
     *   and steps
     *
     * @throws Malformed|NotCleared
     */
    public function missing(Blueprint $blueprint, Version $version): array
    {
        [$writer, $questions] = $this->written($blueprint, $version);
        $missing = [];
        foreach ($writer->unmatched as $unmatched) {
            $missing[trim(explode(':', $unmatched->what)[0])][] = $unmatched->item;
        }
        if ($writer->missing !== []) {
            $missing['pictures that the bank does not have'] = $writer->missing;
        }

        return [
            'questions' => $questions,
            'missing' => array_map(
                static fn (string $what, array $items): array => ['what' => $what, 'items' => array_values(array_unique($items))],
                array_keys($missing),
                array_values($missing),
            ),
        ];
    }

    /** @return array{PackageWriter, int} */
    private function written(Blueprint $blueprint, Version $version): array
    {
        $bank = $blueprint->bank;
        [$questions, $eligible] = $this->questions->of($blueprint, BankPackage::MOST);
        $written = new WrittenAssessment(
            $blueprint->assessment(),
            $eligible,
            static fn (string $name): array => $questions[$name],
            fn (string $name): ?TextFormat\Page => $this->page($bank, $name),
        );
        $writer = new PackageWriter($version, $this->media->contentsOf($bank));
        $writer->write($written->questions, $written->test, $written->unmatched);

        return [$writer, count($written->questions)];
    }

    private function page(Bank $bank, string $name): ?TextFormat\Page
    {
        $page = $this->em->getRepository(Page::class)->findOneBy(['bank' => $bank, 'name' => $name]);

        return $page === null ? null : new TextFormat\Page($page->name(), $page->heading(), $page->reads());
    }
}
