<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Bank;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Style\OutputStyle;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Objective\Objective;
use Zetema\App\Bank\Objective\Objectives;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\People\Role;
use Zetema\App\Shared\Dialect\Dialects;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing;
use Zetema\Core\Drawing\Chance;
use Zetema\Core\Question\Sketch;
use Zetema\Core\Question\Status;

/** Makes a bank of many questions, each with a text, objective, kind, tags and revision of its own, the same for the same number. */
final readonly class LargeBank
{
    public const PASSWORD = 'honeycomb';
    public const OBJECTIVES = 200;
    private const PIECE = 200;
    private const FREQUENT = [
        'hive',
        'queen',
        'frame',
        'brood',
        'honey',
        'swarm',
        'smoke',
        'mite',
        'nectar',
        'pollen',
        'drone',
        'worker',
        'comb',
        'super',
        'winter',
        'spring',
        'wax',
        'sting',
        'cell',
        'egg',
        'larva',
        'forage',
        'entrance',
        'floor',
        'cover',
        'syrup',
        'heather',
        'clover',
        'bramble',
        'lime',
    ];

    public function __construct(
        private EntityManagerInterface $em,
        private UserPasswordHasherInterface $hasher,
        private Objectives $objectives,
    ) {
    }

    /** @return list<string> words of which every question has about six */
    public static function frequentWords(): array
    {
        return self::FREQUENT;
    }

    /** A word that only the n-th question has. */
    public static function rareWord(int $n): string
    {
        return 'ref' . strrev((string) (1_000_000 + $n));
    }

    public function make(int $questions, OutputStyle $io): void
    {
        $author = new Account('author', 'B. Bench', Role::Author);
        $author->rememberPassword($this->hasher->hashPassword($author, self::PASSWORD));
        $bank = new Bank('A large bank');
        $this->em->persist($author);
        $this->em->persist($bank);
        $this->em->flush();
        $paths = array_map(static fn (int $n): array => ['Part ' . intdiv($n, 10), 'Objective ' . $n], range(0, self::OBJECTIVES - 1));
        $this->objectives->ensure($bank, $paths);
        $this->em->flush();
        $this->blueprints($bank);
        $chance = new Chance(2026);
        $progress = $io->createProgressBar($questions);
        for ($from = 0; $from < $questions; $from += self::PIECE) {
            $this->em->clear();
            $bank = $this->em->find(Bank::class, 1) ?? throw new \LogicException('it was made');
            $author = $this->em->find(Account::class, 1) ?? throw new \LogicException('it was made');
            $objectives = [];
            foreach ($this->objectives->of($bank) as $objective) {
                $objectives[$objective->path] = $objective;
            }
            $this->em->wrapInTransaction(function () use ($from, $questions, $bank, $author, $objectives, $chance): void {
                for ($n = $from; $n < min($questions, $from + self::PIECE); ++$n) {
                    $path = ['Part ' . intdiv($n % self::OBJECTIVES, 10), 'Objective ' . $n % self::OBJECTIVES];
                    $content = self::content($n, $chance);
                    $sketch = Sketch::of(Fields::of($content), "question $n", $path, $n % 10 === 9 ? Status::Draft : Status::Cleared);
                    $this->em->persist(
                        new Question(
                            $bank,
                            $objectives[implode(Objective::SEPARATOR, $path)],
                            $sketch,
                            "question $n",
                            $author,
                            new \DateTimeImmutable('2026-05-01'),
                            null,
                        ),
                    );
                }
            });
            $progress->advance(self::PIECE);
        }
        $progress->finish();
        $io->newLine();
        $this->em->getConnection()->executeStatement(Dialects::of($this->em->getConnection())->lookAtAll());
    }

    /** Thirty blueprints of 20 draws of two, by objective and kind. */
    private function blueprints(Bank $bank): void
    {
        for ($b = 0; $b < 30; ++$b) {
            $draws = array_map(
                static fn (int $d): Drawing\Draw => new Drawing\Draw(
                    2,
                    new Drawing\Stock\Pool(
                        ['Part ' . $d % 20],
                        kinds: [$b % 2 === 0 ? 'one' : 'claim'],
                        tags: $d === 3 ? ['tag ' . $b % 12] : [],
                    ),
                ),
                range($b % 5, 19 + ($b % 5)),
            );
            $this->em->persist(
                new Blueprint(
                    $bank,
                    "Blueprint $b",
                    new Drawing\DealingPlan($draws, [], Drawing\PassMark::percent('60')),
                    new PlainRules(1800),
                ),
            );
        }
        $this->em->flush();
    }

    /** @return array<string, mixed> */
    public static function content(int $n, Chance $chance): array
    {
        $words = implode(' ', array_map(static fn (): string => self::FREQUENT[$chance->below(count(self::FREQUENT))], range(1, 6)));
        $stem = sprintf('In case %d of %s, with %s, what is the next step?', $n, self::rareWord($n), $words);
        $common = [
            'v' => 1,
            'stem' => $stem,
            'tags' => ['tag ' . intdiv($n, 7) % 12],
            'difficulty' => ['easy', 'medium', 'hard'][$n % 3],
            'settings' => ['points' => (string) (1 + ($n % 10))],
        ];

        return match ($n % 4) {
            0 => [
                ...$common,
                'kind' => 'claim',
                'stem' => "In case $n of " . self::rareWord($n) . ", with $words, the next step is to wait.",
                'choices' => [['id' => 1, 'text' => 'true', 'key' => $n % 8 === 0], ['id' => 2, 'text' => 'false', 'key' => $n % 8 !== 0]],
            ],
            1 => [...$common, 'kind' => 'number', 'spans' => [['span' => "$n within 0.5"]]],
            default => [
                ...$common,
                'kind' => 'one',
                'choices' => array_map(
                    static fn (int $i): array => [
                        'id' => $i,
                        'text' => "Look at the number $i of $n",
                        'key' => $i === 1 + ($n % 4),
                        'says' => "That is said of $i.",
                    ],
                    range(1, 4),
                ),
            ],
        };
    }
}
