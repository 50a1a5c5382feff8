<?php

declare(strict_types=1);

namespace Zetema\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Media\Media;
use Zetema\App\Bank\Pool\PoolEditing;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\QuestionEditing;
use Zetema\App\Bank\Review\Comments;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\Blueprint\BlueprintEditing;
use Zetema\App\Blueprint\Edition;
use Zetema\App\Intake\Brought;
use Zetema\App\Intake\Intake;
use Zetema\App\People\Account;
use Zetema\App\People\Role;
use Zetema\Core\Blueprint\Outcome\Rung;
use Zetema\Core\Blueprint\Plain\PlainRules;
use Zetema\Core\Data\Fields;
use Zetema\Core\Drawing;
use Zetema\Core\Exchange\TextFormat\Reader;

/** The beekeepers' guild: a bank, its people, a certificate and a practice quiz, and some sittings. All made up. */
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
        private PastSittings $past,
        private Media $media,
        private Comments $comments,
        private PoolEditing $pools,
        private QuestionEditing $questions,
        #[Autowire('%kernel.project_dir%/demo/certificate.zet.txt')]
        private string $file,
    ) {
    }

    public function __invoke(SymfonyStyle $io): int
    {
        if ($this->em->getRepository(Account::class)->count([]) > 0) {
            $io->writeln('The demo is loaded already.');

            return 0;
        }
        $this->em->wrapInTransaction(fn () => $this->load($io));

        return 0;
    }

    private function load(SymfonyStyle $io): void
    {
        $accounts = $this->people();
        $bank = new Bank('Apprentice Certificate');
        $this->em->persist($bank);
        $this->em->flush();
        foreach ((array) glob(dirname($this->file) . '/pictures/*.svg') as $picture) {
            $this->media->take($bank, basename((string) $picture), (string) file_get_contents((string) $picture));
        }
        $text = (string) file_get_contents($this->file);
        $lines = [];
        foreach ((new Reader())->questions($text) as $read) {
            $lines[] = $read->question !== null ? $read->fromLine : throw new \LogicException('the demo file has a problem at line ' . $read->fromLine);
        }
        $this->intake->takeIn($bank, Brought::of(Fields::of(['text' => $text, 'as' => 'text'])), $lines, 'certificate.zet.txt', $accounts['orrell']);
        $this->em->getRepository(Question::class)->findOneBy(['name' => 'fresh eggs'])?->keepAsPattern(true);
        $this->em->flush();
        $this->unfinished($bank->id);
        $this->retired($bank->id);
        $edition = $this->frozen($this->certificate(...), $bank->id)->id;
        $this->frozen($this->practice(...), $bank->id);
        $this->frozen($this->handsOn(...), $bank->id);
        $edition = $this->em->find(Edition::class, $edition) ?? throw new \LogicException('it was frozen');
        $this->commented('two lids', 'stem', 'Will an apprentice know what “make” means here? I would say “material”.');
        $this->commented('unknown cause', '', 'Good one. Could it say where the law asks for a report?');
        $this->pool(['do' => 'keep', 'name' => 'Swarm season', 'filter' => ['search' => 'swarm']], $bank->id);
        $this->pool(['do' => 'gather', 'name' => 'Open evening', 'ids' => $this->ids('two lids', 'swarm sign', 'first swarm', 'fresh eggs', 'unknown cause', 'swarm next door')], $bank->id);
        $this->past->sit($edition, [
            ['account' => $this->account('aldous'), 'ability' => 85, 'seed' => 11, 'daysAgo' => 6],
            ['account' => $this->account('wren'), 'ability' => 55, 'seed' => 12, 'daysAgo' => 5],
            ['account' => $this->account('carrow'), 'ability' => 30, 'seed' => 13, 'daysAgo' => 5],
        ]);
        $io->writeln(sprintf('The demo is loaded: %d questions, %d people.', count($lines), count($accounts)));
    }

    /** A question somebody has begun. */
    private function unfinished(int $bank): void
    {
        $content = ['kind' => 'one', 'stem' => 'Which of these does the wax moth leave behind on a stored comb?', 'choices' => [['id' => 1, 'text' => 'Silken tunnels', 'key' => true], ['id' => 2, 'text' => '', 'key' => false]], 'settings' => ['points' => '10']];
        $this->questions->make($this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'), Fields::of(['name' => 'wax moth', 'objective' => 'Health and pests > Brood diseases', 'content' => $content]), $this->account('orrell'));
    }

    /** One that was asked for years and is no more. */
    private function retired(int $bank): void
    {
        $content = ['kind' => 'claim', 'stem' => 'A hive must be registered within a year.', 'choices' => [['id' => 1, 'text' => 'true', 'key' => true], ['id' => 2, 'text' => 'false', 'key' => false]], 'settings' => ['points' => '5']];
        $question = $this->questions->make($this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'), Fields::of(['name' => 'registered within a year', 'objective' => 'Neighbours and law', 'content' => $content]), $this->account('orrell'));
        foreach (['cleared', 'retired'] as $status) {
            $question = $this->questions->moveTo($question, Fields::of(['status' => $status, 'version' => $question->version()]), $this->account('orrell'));
        }
    }

    /** @param array<string, mixed> $change */
    private function pool(array $change, int $bank): void
    {
        $this->pools->change($this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'), Fields::of($change), $this->account('orrell'));
    }

    /** @return list<int> */
    private function ids(string ...$names): array
    {
        return array_map(static fn (Question $question): int => $question->id, $this->em->getRepository(Question::class)->findBy(['name' => $names]));
    }

    private function commented(string $question, string $where, string $text): void
    {
        $question = $this->em->getRepository(Question::class)->findOneBy(['name' => $question]) ?? throw new \LogicException('it was taken in');
        $this->comments->make($question, Fields::of(['where' => $where, 'text' => $text]), $this->account('penhale'));
    }

    /** @param callable(Bank): Blueprint $make */
    private function frozen(callable $make, int $bank): Edition
    {
        $blueprint = $make($this->em->find(Bank::class, $bank) ?? throw new \LogicException('it was made'));

        return $this->editing->freeze($blueprint, $blueprint->version(), $this->account('orrell'));
    }

    private function account(string $login): Account
    {
        return $this->em->getRepository(Account::class)->findOneBy(['login' => $login]) ?? throw new \LogicException('it was made');
    }

    /** @return array<string, Account> */
    private function people(): array
    {
        $accounts = [];
        foreach (self::PEOPLE as $login => [$name, $role]) {
            $accounts[$login] = new Account($login, $name, $role);
            $accounts[$login]->rememberPassword($this->hasher->hashPassword($accounts[$login], self::PASSWORD));
            $this->em->persist($accounts[$login]);
        }

        return $accounts;
    }

    private function certificate(Bank $bank): Blueprint
    {
        $steps = [];
        foreach (['Colony life', 'Hive inspection', 'Health and pests', 'Honey and harvest', 'Neighbours and law'] as $objective) {
            $steps[] = new Drawing\Draw(2, new Drawing\Stock\Pool([$objective], kinds: ['one']));
            $steps[] = new Drawing\Draw(1, new Drawing\Stock\Pool([$objective], kinds: ['claim']));
        }

        return $this->stored(new Blueprint(
            $bank,
            'Apprentice Certificate, written part',
            new Drawing\DealingPlan($steps, [], Drawing\PassMark::percent('60')),
            new PlainRules(1500, whoPassesSees: Rung::WithKey, whoDoesNotSees: Rung::WithKey, sittings: 2),
        ));
    }

    private function practice(Bank $bank): Blueprint
    {
        $steps = [
            new Drawing\Draw(2, new Drawing\Stock\Pool(['Hive inspection'], kinds: ['one'])),
            new Drawing\Draw(1, new Drawing\Stock\Pool(['Hive inspection'], kinds: ['several'])),
            new Drawing\Draw(1, new Drawing\Stock\Pool(['Health and pests'], kinds: ['number'])),
            new Drawing\Draw(1, new Drawing\Stock\Pool(['Health and pests'], kinds: ['text'])),
            new Drawing\Draw(1, new Drawing\Stock\Pool(['Colony life'], kinds: ['claim'])),
        ];

        return $this->stored(new Blueprint($bank, 'Spring practice', new Drawing\DealingPlan($steps), new PlainRules(null, tellsAtOnce: true, sittings: null)));
    }

    private function handsOn(Bank $bank): Blueprint
    {
        $steps = array_map(static fn (string $kind): Drawing\Draw => new Drawing\Draw(1, new Drawing\Stock\Pool(kinds: [$kind])), ['gaps', 'pairs', 'groups', 'order', 'regions', 'place', 'rating']);

        return $this->stored(new Blueprint($bank, 'Hands on: pictures, pairs and order', new Drawing\DealingPlan($steps), new PlainRules(null, tellsAtOnce: true, sittings: null)));
    }

    private function stored(Blueprint $blueprint): Blueprint
    {
        $this->em->persist($blueprint);
        $this->em->flush();

        return $blueprint;
    }
}
