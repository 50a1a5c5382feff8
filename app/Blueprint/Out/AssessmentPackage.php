<?php

declare(strict_types=1);

namespace Zetema\App\Blueprint\Out;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Out\BankPackage;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Blueprint\BankStock;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\NotCleared;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Stock\EligibleQuestion;
use Zetema\Core\Exchange\Qti\Writing\PackageWriter;
use Zetema\Core\Exchange\Qti\Writing\Version;
use Zetema\Core\Exchange\TextFormat;
use Zetema\Core\Marking\Plan\MarkingPlan;

/** An assessment with all that it can deal from its bank as a package of the open standard, and beforehand what of it that cannot say. */
final readonly class AssessmentPackage
{
    public function __construct(private EntityManagerInterface $em, private BankStock $stock, private Media $media)
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
     * @return array{questions: int, missing: list<array{what: string, items: list<string>}>} what is said, and of which questions, pages and steps
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

        return ['questions' => $questions, 'missing' => array_map(static fn (string $what, array $items): array => ['what' => $what, 'items' => array_values(array_unique($items))], array_keys($missing), array_values($missing))];
    }

    /** @return array{PackageWriter, int} */
    private function written(Blueprint $blueprint, Version $version): array
    {
        $bank = $blueprint->bank;
        $plan = $blueprint->plan();
        $stock = $this->stock->of($bank);
        $held = $stock->held($stock->dealer($plan)->held());
        if (count($held) > BankPackage::MOST) {
            throw new Malformed('questions', sprintf('are more than the %s that a package holds; narrow its pools first', number_format(BankPackage::MOST)));
        }
        $pools = $stock->pools($plan->pools());
        $questions = $eligible = [];
        foreach ($this->em->getRepository(Revision::class)->findBy(['id' => $held], ['id' => 'ASC']) as $revision) {
            $number = $revision->question->id;
            $question = $revision->question();
            $questions["q$number"] = [$question, $bank->settings()];
            $eligible[] = new EligibleQuestion("q$number", $question->kind::id()->value, $question->objective, $question->tags, $question->difficulty?->value, MarkingPlan::of($question, $question->effective($bank->settings()))->max(), array_keys(array_filter($pools, static fn (array $ids): bool => in_array($number, $ids, true))));
        }
        $written = new WrittenAssessment($blueprint->assessment(), $eligible, static fn (string $name): array => $questions[$name], fn (string $name): ?TextFormat\Page => $this->page($bank, $name));
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
