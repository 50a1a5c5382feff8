<?php

declare(strict_types=1);

namespace Zetema\App\Admission;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Blueprint\Blueprint;
use Zetema\App\People\Account;
use Zetema\App\People\Group;
use Zetema\App\People\Role;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting\Candidacy;
use Zetema\Core\Sitting\Refused;

/** Where it is said who may sit an assessment, and asked whether somebody may. */
final readonly class Admissions
{
    public const MOST_EXTRA_TIME = 400;
    public const MOST_SITTINGS = 99;
    /** Letters and figures that nobody takes for one another. */
    private const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';
    private const SIGNS_OF_A_CODE = 10;

    public function __construct(private EntityManagerInterface $em, private Saving $saving, private SittingsUnderWay $sittings)
    {
    }

    /** @return array<string, mixed> as the author has it */
    public function told(Blueprint $blueprint): array
    {
        $admission = $this->of($blueprint);

        return $admission === null
            ? ['version' => 0, 'everybody' => true, 'opens' => null, 'closes' => null, 'code' => null, 'groups' => [], 'people' => []]
            : $this->data($admission);
    }

    /** @return array<string, mixed> as it is then */
    public function change(Blueprint $blueprint, Fields $body): array
    {
        $opens = self::moment($body, 'opens');
        $closes = self::moment($body, 'closes');
        if ($opens !== null && $closes !== null && $closes <= $opens) {
            throw new Malformed('closes', 'must come after it opens');
        }
        $isForAll = $body->flag('everybody');
        $groups = $body->integers('groups', optional: true);
        if ($this->existing($groups) !== $groups) {
            throw new Malformed('groups', 'one of them is there no more; reload the page');
        }
        $people = $this->people($body->objects('people', optional: true));
        $admission = $this->of($blueprint) ?? $this->made($blueprint);
        // What was never changed has no version yet.
        $version = $body->integer('version') === 0 && $admission->version() === 1 ? 1 : $body->integer('version');
        $this->saving->change(
            Admission::class,
            $admission->id,
            $version,
            function (Admission $admission) use ($isForAll, $opens, $closes, $groups, $people, $body): void {
                $admission->set($isForAll, $opens, $closes, $groups, $people);
                $admission->setCode(
                    match ($body->text('code', 'keep')) {
                        'keep' => $admission->code(),
                        'new' => self::code(),
                        'none' => null,
                        default => throw new Malformed('code', 'is keep, new or none'),
                    },
                );
            },
            'Who may sit it was changed in another window or by someone else since you opened it.',
            $this->data(...),
        );
        $this->sittings->termsChanged($blueprint, fn (Account $account): Candidacy => $this->candidacy($blueprint, $account));

        return $this->told($blueprint);
    }

    /** @return array<string, mixed> without groups that were deleted: those admit nobody any more */
    private function data(Admission $admission): array
    {
        $told = $admission->toData();

        return [...$told, 'groups' => $this->existing($told['groups'])];
    }

    /** Whether and how somebody may sit an assessment. */
    public function candidacy(Blueprint $blueprint, Account $account): Candidacy
    {
        return $this->candidacies([$blueprint], $account)[$blueprint->id];
    }

    /**
     * @param list<Blueprint> $blueprints
     *
     * @return array<int, Candidacy> by the ids of the blueprints
     */
    public function candidacies(array $blueprints, Account $account): array
    {
        $groups = null;
        $candidacies = [];
        foreach ($blueprints as $blueprint) {
            $candidacies[$blueprint->id] = new Candidacy(true, null, null);
        }
        foreach ($this->em->getRepository(Admission::class)->findBy(['blueprint' => $blueprints]) as $admission) {
            $candidacies[$admission->blueprint->id] = $admission->candidacy(
                $account,
                $groups ??= $this->em->getRepository(Group::class)->findAll(),
            );
        }

        return $candidacies;
    }

    /**
     * Admits a candidate to the assessment that has the code.
     *
     * @throws Refused if none has it
     */
    public function enter(string $code, Account $account): Blueprint
    {
        $admission = $this->em
            ->getRepository(Admission::class)
            ->findOneBy(['code' => strtolower(preg_replace('/[^A-Za-z0-9]/', '', $code) ?? '')]);
        if ($admission === null) {
            throw new Refused('No assessment has this code. Codes have ten letters and figures; perhaps one was mistyped.');
        }
        $this->saving->change(
            Admission::class,
            $admission->id,
            null,
            static fn (Admission $admission) => $admission->admit($account),
            '',
            static fn (): array => [],
        );

        return $admission->blueprint;
    }

    /** One sitting more for a candidate, beyond those that the rules give everybody. */
    public function allowAnother(Blueprint $blueprint, Account $account): void
    {
        $admission = $this->of($blueprint) ?? $this->made($blueprint);
        $this->saving->change(
            Admission::class,
            $admission->id,
            null,
            static fn (Admission $admission) => $admission->allowAnother($account, self::MOST_SITTINGS),
            '',
            static fn (): array => [],
        );
    }

    /**
     * @param list<int> $groups
     *
     * @return list<int> those of them that there are
     */
    private function existing(array $groups): array
    {
        $known = array_map(
            static fn (Group $group): int => $group->id,
            $groups === [] ? [] : $this->em->getRepository(Group::class)->findBy(['id' => $groups]),
        );

        return array_values(array_filter($groups, static fn (int $id): bool => in_array($id, $known, true)));
    }

    private function of(Blueprint $blueprint): ?Admission
    {
        return $this->em->getRepository(Admission::class)->findOneBy(['blueprint' => $blueprint]);
    }

    private function made(Blueprint $blueprint): Admission
    {
        return $this->saving->make(function () use ($blueprint): Admission {
            // Within the transaction nobody else makes it, and somebody may have just before.
            $admission = $this->of($blueprint) ?? new Admission($blueprint);
            $this->em->persist($admission);

            return $admission;
        });
    }

    /**
     * @param list<Fields> $typed
     *
     * @return array<int, array{extraTime: int, sittings: int, byCode: bool}>
     */
    private function people(array $typed): array
    {
        $people = [];
        foreach ($typed as $one) {
            $account = $this->em->find(Account::class, $one->integer('account'));
            if ($account?->role !== Role::Candidate) {
                throw new Malformed('people', 'only candidates can be admitted');
            }
            $within = static fn (string $field, int $most): int => $one->integer($field, 0) >= 0 && $one->integer($field, 0) <= $most
                ? $one->integer($field, 0)
                : throw new Malformed($field, sprintf('must be from 0 to %d', $most));
            $people[$account->id] = [
                'extraTime' => $within('extraTime', self::MOST_EXTRA_TIME),
                'sittings' => $within('sittings', self::MOST_SITTINGS),
                'byCode' => $one->flag('byCode', false),
            ];
        }

        return $people;
    }

    private static function moment(Fields $body, string $field): ?\DateTimeImmutable
    {
        $typed = $body->optionalText($field);
        if ($typed === null || $typed === '') {
            return null;
        }
        $moment = \DateTimeImmutable::createFromFormat(DATE_ATOM, $typed);

        return $moment === false
            ? throw new Malformed($field, 'is no moment; write it like 2026-05-01T10:00:00+02:00')
            : $moment->setTimezone(new \DateTimeZone('UTC'));
    }

    private static function code(): string
    {
        return implode(
            '',
            array_map(static fn (): string => self::SIGNS[random_int(0, strlen(self::SIGNS) - 1)], range(1, self::SIGNS_OF_A_CODE)),
        );
    }
}
