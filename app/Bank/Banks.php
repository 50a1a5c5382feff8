<?php

declare(strict_types=1);

namespace Zetema\App\Bank;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Settings\HouseRules;
use Zetema\App\Shared\Row;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Settings\BankSettings;

/** All banks: listed with what they hold, made, named, put away. */
final readonly class Banks
{
    private const LIST = "SELECT b.id, b.name, b.version, b.is_put_away,
            COALESCE(SUM(CASE WHEN c.status <> 'retired' THEN c.questions END), 0) AS questions, COALESCE(SUM(c.dealt), 0) AS cleared,
            COALESCE(SUM(CASE WHEN c.status = 'in review' THEN c.questions END), 0) AS in_review
        FROM bank b LEFT JOIN question_count c ON c.bank_id = b.id WHERE NOT b.is_unfinished GROUP BY b.id ORDER BY b.is_put_away, b.name, b.id";

    public function __construct(private EntityManagerInterface $em, private Saving $saving, private Assessments $assessments)
    {
    }

    /** @return list<array<string, mixed>> by name, those that were put away last */
    public function told(): array
    {
        $int = Row::int(...);
        $blueprints = $this->assessments->perBank();

        return array_map(
            static fn (array $row): array => [
                'id' => $int($row['id']),
                'name' => $row['name'],
                'version' => $int($row['version']),
                'putAway' => (bool) $row['is_put_away'],
                'questions' => $int($row['questions']),
                'cleared' => $int($row['cleared']),
                'inReview' => $int($row['in_review']),
                'blueprints' => $blueprints[$int($row['id'])] ?? 0,
            ],
            $this->em->getConnection()->fetchAllAssociative(self::LIST),
        );
    }

    /**
     * @param bool $isUnfinished whether something fills it, and nobody is to see it before
     *
     * @throws Malformed if another bank has the name
     */
    public function make(string $name, bool $isUnfinished = false): Bank
    {
        return $this->saving->make(function () use ($name, $isUnfinished): Bank {
            $bank = new Bank($name);
            if ($isUnfinished) {
                $bank->isYetToBeFilled();
            }
            $bank->follow($this->em->find(HouseRules::class, HouseRules::ID)?->settings() ?? BankSettings::none());
            $this->refuseTaken($bank->name(), null);
            $this->em->persist($bank);
            $this->em->flush();

            return $bank;
        });
    }

    /** Gives it another name, puts it away, takes it out again. */
    public function change(Bank $bank, Fields $body): void
    {
        $this->saving->change(
            Bank::class,
            $bank->id,
            $body->integer('version'),
            function (Bank $bank) use ($body): void {
                if ($body->has('name')) {
                    $bank->rename($body->text('name'));
                    $this->refuseTaken($bank->name(), $bank->id);
                }
                if ($body->has('putAway')) {
                    $bank->putAway($body->flag('putAway'));
                }
            },
            'This bank was changed by someone else since. Look at the newer state, and change it again.',
            static fn (Bank $bank): array => ['name' => $bank->name(), 'version' => $bank->version()],
        );
    }

    /** @throws Malformed if no bank can be made under this name */
    public function refuse(string $name): void
    {
        $this->refuseTaken((new Bank($name))->name(), null);
    }

    private function refuseTaken(string $name, ?int $but): void
    {
        $taken = $this->em->getConnection()->fetchOne('SELECT id FROM bank WHERE name = ? AND id <> ?', [$name, $but ?? 0]);
        if ($taken !== false) {
            throw new Malformed('name', sprintf('“%s” is the name of another bank', $name));
        }
    }
}
