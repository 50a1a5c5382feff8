<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Question\Revision;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\NotCleared;
use Zetema\App\Blueprint\Stored\StoredStock;
use Zetema\Core\Blueprint\Blueprint;
use Zetema\Core\Blueprint\Dealing\BlueprintDealer;
use Zetema\Core\Blueprint\Dealing\DealtForm;
use Zetema\Core\Blueprint\Dealing\DealtStep;
use Zetema\Core\Blueprint\Plain\PlainBlueprint;
use Zetema\Core\Blueprint\Reading\VersionOne;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Drawing\ChoiceOrder;
use Zetema\Core\Drawing\Seen;
use Zetema\Core\Drawing\UnknownQuestion;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Sitting\Paper\Paper;
use Zetema\Core\Sitting\Paper\PaperMaker;
use Zetema\Core\Sitting\Stored\FormCodec;

/** Deals forms, and puts the paper of a stored sitting together again. */
final class Papers
{
    /**
     * So many questions are kept as they were read: a form that is dealt and put together, and sittings of one edition, ask for the same
     * again.
     */
    private const KEPT = 1_000;
    /** @var array<string, Question> by revision and where it stood */
    private array $read = [];
    /**
     * @var array{\WeakReference<Sitting>, Paper}|null of an edition, which never changes; a request asks for the same one a few times over
     */
    private ?array $last = null;

    public function __construct(private readonly EntityManagerInterface $em)
    {
    }

    /**
     * @return array<string, mixed> the form as it is stored
     *
     * @throws Malformed|NotCleared if it asks for no question, or for some that cannot be dealt
     */
    public function deal(Blueprint $blueprint, BankSettings $bank, StoredStock $stock, int $seed, Seen $seen = new Seen()): array
    {
        try {
            $form = (new BlueprintDealer($blueprint, $stock, $seen))->deal($seed);
        } catch (UnknownQuestion $e) {
            throw $stock->notCleared($e);
        }
        $revisions = $stock->revisions($form->questions());
        if ($revisions === []) {
            throw new Malformed('plan', 'asks for no question yet; type a number on the quota board');
        }
        $paper = $this->made($blueprint, $bank, $form, $revisions, null);
        $chance = new Chance($seed ^ 0x5EED);
        $sections = [];
        foreach ($form->sections as $section) {
            $sections[] = [
                ...$section,
                'steps' => array_map(static function (DealtStep $step) use ($paper, $chance): DealtStep {
                    $place = $step->question === null ? null : $paper->questionNamed($step->question);

                    return $place === null
                        ? $step
                        : new DealtStep(
                            $step->step,
                            $step->question,
                            $step->at,
                            ChoiceOrder::of($place->question, $place->settings->isYes(Setting::Shuffle), $chance),
                        );
                }, $section['steps']),
            ];
        }

        return FormCodec::toData(new DealtForm($seed, $sections), $revisions);
    }

    public function paper(Sitting $sitting): Paper
    {
        if ($this->last === null || $this->last[0]->get() !== $sitting) {
            $paper = $this->of($sitting);
            if ($sitting->isRehearsal()) {
                return $paper; // its draft may be another a moment later
            }
            $this->last = [\WeakReference::create($sitting), $paper];
        }

        return $this->last[1];
    }

    private function of(Sitting $sitting): Paper
    {
        $bank = $sitting->edition?->bankSettings() ?? $sitting->blueprint->bank->settings();
        if (array_is_list($sitting->form)) {
            return $this->ofFirstVersion($sitting, $bank);
        }
        [$form, $revisions] = FormCodec::read(Fields::of($sitting->form), $sitting->seed);

        return $this->made($sitting->edition?->assessment() ?? $sitting->assessment(), $bank, $form, $revisions, $sitting->edition);
    }

    /** The first forms were lists of revisions; each is a step of its own, by its number. */
    private function ofFirstVersion(Sitting $sitting, BankSettings $bank): Paper
    {
        $steps = $dealt = $revisions = [];
        foreach ($sitting->form as $i => $item) {
            $item = Fields::of($item);
            $id = (string) ((int) $i + 1);
            $question = 'r' . $item->integer('revision');
            $points = $item->optionalText('points');
            $steps[] = ['id' => $id, 'question' => $question, ...$points === null ? [] : ['settings' => ['points' => $points]]];
            $dealt[] = new DealtStep($id, $question, $id, $item->integers('choices'));
            $revisions[$question] = $item->integer('revision');
        }
        $plain = $sitting->edition ?? $sitting->blueprint;
        $blueprint = PlainBlueprint::ofSteps('', $steps, $plain->rules(), $plain->plan()->pass);

        return $this->made(
            $blueprint,
            $bank,
            new DealtForm($sitting->seed, [['section' => VersionOne::SECTION, 'steps' => $dealt]]),
            $revisions,
            $sitting->edition,
        );
    }

    /**
     * Each request of a sitting reads its questions: what they hold and where they stood, and no more of their rows than that. What
     * an edition holds stands where it stood when it was frozen, wherever the bank has it now.
     *
     * @param array<string, int> $revisions by question
     */
    private function made(Blueprint $blueprint, BankSettings $bank, DealtForm $form, array $revisions, ?Edition $edition): Paper
    {
        $rows = $this->em
            ->getConnection()
            ->executeQuery(
                'SELECT r.id, r.content, CASE WHEN e.edition_id IS NULL THEN r.objective_path ELSE e.objective_path END AS objective_path FROM revision r LEFT JOIN edition_question e ON e.edition_id = ? AND e.revision_id = r.id WHERE r.id IN (?)',
                [$edition->id ?? 0, array_values($revisions)],
                [1 => ArrayParameterType::INTEGER],
            )
            ->fetchAllAssociativeIndexed();
        if (count($this->read) > self::KEPT) {
            $this->read = [];
        }
        $question = function (string $name) use ($revisions, $rows): Question {
            $row = $rows[$revisions[$name]] ?? throw new \LogicException('a dealt revision is stored');
            $path = is_string($row['objective_path']) ? $row['objective_path'] : null;

            // A revision never changes once it was dealt; of a draft that is rehearsed it may.
            return $this->read[
                $revisions[$name] . ' ' . $path . ' ' . crc32(is_string($row['content']) ? $row['content'] : '')
            ] ??= Revision::dealt(Fields::ofJson(is_string($row['content']) ? $row['content'] : ''), $path);
        };

        return (new PaperMaker($blueprint, static fn (string $name): array => [$question($name), $bank]))->paper($form);
    }
}
