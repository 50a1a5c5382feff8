<?php

declare(strict_types=1);

namespace Zetema\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Pool\PoolEditing;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\QuestionEditing;
use Zetema\App\Bank\Review\Comments;
use Zetema\App\Blueprint\BlueprintEditing;
use Zetema\App\Blueprint\Editions\Edition;
use Zetema\App\Blueprint\Editions\Freezing;
use Zetema\App\Intake\Brought;
use Zetema\App\Intake\Intake;
use Zetema\App\People\Account;
use Zetema\App\People\Group;
use Zetema\App\People\Role;
use Zetema\App\Shared\Lock;
use Zetema\App\Shared\Transactions;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\TextFormat\Reader;

/**
 * The beekeepers' guild: its people; a bank with the certificate, a practice quiz and some sittings; and one with a scenario, a profile and
 * a spot test. All made up.
 */
#[AsCommand('zetema:demo', 'Loads the demo if the database is empty')]
final readonly class DemoCommand
{
    public const PASSWORD = 'honeycomb';

    /** @var array<string, array{string, Role}> */
    private const PEOPLE = [
        'orrell' => ['M. Orrell', Role::Author],
        'penhale' => ['S. Penhale', Role::Reviewer],
        'aldous' => ['T. Aldous', Role::Candidate],
        'wren' => ['B. Wren', Role::Candidate],
        'carrow' => ['J. Carrow', Role::Candidate],
        'kestle' => ['A. Kestle', Role::Administrator],
    ];

    public function __construct(
        private EntityManagerInterface $em,
        private UserPasswordHasherInterface $hasher,
        private Intake $intake,
        private BlueprintEditing $editing,
        private Freezing $freezing,
        private PastSittings $past,
        private Media $media,
        private Comments $comments,
        private PoolEditing $pools,
        private QuestionEditing $questions,
        private Crowd $crowd,
        private Transactions $transactions,
        #[Autowire('%kernel.project_dir%/demo')]
        private string $folder,
    ) {
    }

    public function __invoke(
        SymfonyStyle $io,
        #[Option('How many simulated candidates have sat every assessment, up to 240')]
        int $crowd = 0,
    ): int {
        if ($this->em->getRepository(Account::class)->count([]) > 0) {
            $io->writeln('The demo is loaded already.');

            return 0;
        }
        $this->transactions->over(Lock::house(), fn () => $this->load($io, $crowd));

        return 0;
    }

    private function load(SymfonyStyle $io, int $crowd): void
    {
        $this->people();
        [$bank, $editions, $questions] = $this->bank('certificate');
        $this->em
            ->getRepository(Question::class)
            ->findOneBy(['name' => 'fresh eggs'])
            ?->keepAsPattern(true);
        $this->em->flush();
        $this->unfinished($bank);
        $this->retired($bank);
        $this->commented('two lids', 'stem', 'Will an apprentice know what “make” means here? I would say “material”.');
        $this->commented('unknown cause', '', 'Good one. Could it say where the law asks for a report?');
        $this->pool(['do' => 'keep', 'name' => 'Swarm season', 'filter' => ['search' => 'swarm']], $bank);
        $this->pool(
            [
                'do' => 'gather',
                'name' => 'Open evening',
                'ids' => $this->ids('two lids', 'swarm sign', 'first swarm', 'fresh eggs', 'unknown cause', 'swarm next door'),
            ],
            $bank,
        );
        $this->past->sit($this->em->find(Edition::class, $editions[0]) ?? throw new \LogicException('it was frozen'), [
            ['account' => $this->account('aldous'), 'ability' => 85, 'seed' => 11, 'daysAgo' => 6],
            ['account' => $this->account('wren'), 'ability' => 55, 'seed' => 12, 'daysAgo' => 5],
            ['account' => $this->account('carrow'), 'ability' => 30, 'seed' => 13, 'daysAgo' => 5],
        ]);
        [, $others, $more] = $this->bank('swarm-day');
        if ($crowd > 0) {
            $io->writeln(sprintf('Simulated candidates have sat %d papers.', $this->crowd->sit([...$editions, ...$others], $crowd)));
        }
        $io->writeln(sprintf('The demo is loaded: %d questions in two banks, %d people.', $questions + $more, count(self::PEOPLE)));
    }

    /**
     * A bank with its questions and pages, and an edition of each of its blueprints.
     *
     * @param string $name of its file, and of the folder of its blueprints
     *
     * @return array{int, list<int>, int} its id, those of the editions, and how many questions were taken in
     */
    private function bank(string $name): array
    {
        $text = (string) file_get_contents("$this->folder/$name.zet.txt");
        $reader = new Reader();
        $lines = [];
        foreach ($reader->questions($text) as $read) {
            $lines[] =
                $read->question !== null ? $read->fromLine : throw new \LogicException("$name has a problem at line " . $read->fromLine);
        }
        $bank = new Bank($reader->bank() ?? throw new \LogicException("$name names no bank"));
        $this->em->persist($bank);
        $this->em->flush();
        $id = $bank->id;
        foreach (self::files("$this->folder/pictures/$name/*.svg") as $picture) {
            $this->media->take($bank, basename($picture), (string) file_get_contents($picture));
        }
        $this->intake->takeIn(
            $bank,
            Brought::of(Fields::of(['text' => $text, 'as' => 'text'])),
            $lines,
            "$name.zet.txt",
            $this->account('orrell'),
        );
        $editions = array_map(
            fn (string $file): int => $this->frozen($id, Fields::ofJson((string) file_get_contents($file))),
            self::files("$this->folder/blueprints/$name/*.json"),
        );

        return [$id, $editions, count($lines)];
    }

    /** @return list<string> */
    private static function files(string $pattern): array
    {
        $files = glob($pattern);

        return $files === false ? [] : $files;
    }

    private function frozen(int $bank, Fields $document): int
    {
        $blueprint = $this->editing->make(
            $this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'),
            Fields::of(['title' => $document->text('title')]),
        );
        $blueprint = $this->editing->write($blueprint, Fields::of(['version' => $blueprint->version(), 'document' => $document->raw()]));

        return $this->freezing->freeze($blueprint, $blueprint->version(), $this->account('orrell'))->id;
    }

    /** A question somebody has begun. */
    private function unfinished(int $bank): void
    {
        $content = [
            'kind' => 'one',
            'stem' => 'Which of these does the wax moth leave behind on a stored comb?',
            'choices' => [['id' => 1, 'text' => 'Silken tunnels', 'key' => true], ['id' => 2, 'text' => '', 'key' => false]],
            'settings' => ['points' => '10'],
        ];
        $this->questions->make(
            $this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'),
            Fields::of(['name' => 'wax moth', 'objective' => 'Health and pests > Brood diseases', 'content' => $content]),
            $this->account('orrell'),
        );
    }

    /** One that was asked for years and is no more. */
    private function retired(int $bank): void
    {
        $content = [
            'kind' => 'claim',
            'stem' => 'A hive must be registered within a year.',
            'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]],
            'settings' => ['points' => '5'],
        ];
        $question = $this->questions->make(
            $this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'),
            Fields::of(['name' => 'registered within a year', 'objective' => 'Neighbours and law', 'content' => $content]),
            $this->account('orrell'),
        );
        foreach (['cleared', 'retired'] as $status) {
            $question = $this->questions->moveTo(
                $question,
                Fields::of(['status' => $status, 'version' => $question->version()]),
                $this->account('orrell'),
            );
        }
    }

    /** @param array<string, mixed> $change */
    private function pool(array $change, int $bank): void
    {
        $this->pools->change(
            $this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'),
            Fields::of($change),
            $this->account('orrell'),
        );
    }

    /** @return list<int> */
    private function ids(string ...$names): array
    {
        return array_map(
            static fn (Question $question): int => $question->id,
            $this->em->getRepository(Question::class)->findBy(['name' => $names]),
        );
    }

    private function commented(string $question, string $where, string $text): void
    {
        $question =
            $this->em->getRepository(Question::class)->findOneBy(['name' => $question]) ?? throw new \LogicException('it was taken in');
        $this->comments->make($question, Fields::of(['where' => $where, 'text' => $text]), $this->account('penhale'));
    }

    private function account(string $login): Account
    {
        return $this->em->getRepository(Account::class)->findOneBy(['login' => $login]) ?? throw new \LogicException('it was made');
    }

    private function people(): void
    {
        foreach (self::PEOPLE as $login => [$name, $role]) {
            $account = new Account($login, $name, $role);
            $account->rememberPassword($this->hasher->hashPassword($account, self::PASSWORD));
            $this->em->persist($account);
        }
        $this->em->flush();
        $this->em->persist($group = new Group('Apprentices of this year'));
        $group->hold([$this->account('wren')->id, $this->account('carrow')->id]);
        $this->em->flush();
    }
}
