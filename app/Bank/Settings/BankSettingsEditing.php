<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Background\Job;
use Zetema\App\Background\Jobs;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\Revisions;
use Zetema\App\People\Account;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Fields;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** What is set for a bank as a whole. */
final readonly class BankSettingsEditing
{
    public function __construct(private EntityManagerInterface $em, private Saving $saving, private Jobs $jobs)
    {
    }

    /** @return array<string, mixed> */
    public function settings(Bank $bank): array
    {
        $house = [];
        foreach (Bank::SETTINGS as $setting) {
            $house[$setting->value] = $setting->houseValue() ?? '';
        }

        $byKind = array_map(static fn (Settings $s): object => (object) $s->values, $bank->settings()->byKind);

        return ['version' => $bank->version(), 'settings' => (object) $bank->settings()->every->values, 'byKind' => (object) $byKind, 'takes' => self::takes(), 'house' => (object) $house, 'following' => $this->following($bank)?->toData()];
    }

    private function following(Bank $bank): ?Job
    {
        $open = array_filter($this->jobs->open($bank->id), static fn (Job $job): bool => $job->task === FollowSettings::name());

        return $open === [] ? null : end($open);
    }

    /** What follows from the settings at each question is worked out anew in the background, if there are many. Cleared revisions keep their text. */
    public function set(Bank $bank, Fields $body, Account $account): Bank
    {
        $set = self::read($body);
        $bank = $this->saving->change(Bank::class, $bank->id, $body->integer('version'), function (Bank $bank) use ($set): Bank {
            $bank->set($set);
            $this->em->flush();

            return $bank;
        }, 'The settings of this bank were changed in another window or by someone else since you opened them.', $this->settings(...));
        $this->follow($bank, $this->saving->again(Account::class, $account->id));

        return $bank;
    }

    public function follow(Bank $bank, Account $account): void
    {
        $older = $this->following($bank);
        if ($older !== null) {
            $this->jobs->stop($older); // it would end with settings that are no more
        }
        $count = $this->em->getRepository(Question::class)->count(['bank' => $bank]);
        $this->jobs->begin(FollowSettings::class, $bank->id, $account, [], atOnce: $count <= FollowSettings::AT_ONCE);
    }

    /** @return array<string, list<string>> the settings that have a meaning for a kind, by kind */
    private static function takes(): array
    {
        $takes = [];
        foreach (KindId::cases() as $kind) {
            $fitting = array_filter(Bank::SETTINGS, static fn (Setting $s): bool => Core\Question::kindTakes($kind, $s, $s->houseValue() ?? ''));
            $takes[$kind->value] = array_values(array_map(static fn (Setting $s): string => $s->value, $fitting));
        }

        return $takes;
    }

    private static function read(Fields $body): BankSettings
    {
        $byKind = [];
        foreach (KindId::cases() as $kind) {
            $values = ($body->optionalObject('byKind') ?? Fields::of([]))->textMap($kind->value);
            $byKind += $values === [] ? [] : [$kind->value => Settings::of($values)];
        }

        return new BankSettings(Settings::of($body->textMap('settings')), $byKind);
    }
}
