<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question\Many;

use Zetema\App\People\Account;
use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Change\Changed;
use Zetema\Core\Question\Change\WantedChange;
use Zetema\Core\Question\Clearing;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Status;

/** What is wanted of many questions of a bank: of their text and settings, and of their status. */
final readonly class ManyChange
{
    /** @param bool $clearAgain whether what was cleared and becomes a draft by this is cleared again at once */
    private function __construct(
        private WantedChange $wanted,
        private ?Status $status,
        private bool $clearAgain,
        private Account $account,
    ) {
    }

    /** @throws Malformed */
    public static function of(Fields $body, Account $account): self
    {
        $wanted = $body->object('change');
        $status = $wanted->optionalText('status');

        return new self(
            WantedChange::of($wanted),
            $status === null ? null : Status::tryFrom($status) ?? throw new Malformed('status', sprintf('“%s” is no status', $status)),
            $body->flag('clearAgain', false),
            $account,
        );
    }

    /** @return list<string>|null the objective that questions go to */
    public function objective(): ?array
    {
        return $this->wanted->objective();
    }

    public function inWords(): string
    {
        return implode(
            ', ',
            array_filter(
                [
                    $this->wanted->inWords(),
                    $this->status === null ? '' : 'status: ' . $this->status->value,
                    $this->clearAgain ? 'cleared again' : '',
                ],
                static fn (string $part): bool => $part !== '',
            ),
        );
    }

    public function to(Standing $standing, BankSettings $bank): ManyChanged
    {
        $changed = $this->wanted->to($standing->content, $standing->name, $standing->names(), $bank, $standing->isWhole);
        $status = $standing->status;
        $clearing = $bank->clearing ?? Clearing::Anybody;
        $writers = $changed->isNone() ? $standing->writers : [...$standing->writers, $this->account->id];
        $mayClear = $clearing->lets($this->account->id, $writers);
        $role = $this->account->role->inTheBank();
        if (!$changed->isNone() && ($status === Status::Cleared || ($status === Status::InReview && $changed->sketch->problem !== null))) {
            $status = Status::Draft;
        }
        if (
            $this->clearAgain &&
            $mayClear &&
            $standing->status === Status::Cleared &&
            $status === Status::Draft &&
            $changed->sketch->problem === null
        ) {
            $status = Status::Cleared;
        }
        if ($this->status === null) {
            if ($this->clearAgain && !$mayClear && $standing->status === Status::Cleared && !$changed->isNone()) {
                $changed = new Changed($changed->sketch, $changed->objective, $changed->changes, [
                    ...$changed->stays,
                    ['what' => 'status', 'why' => Clearing::REFUSED],
                ]);
            }

            return new ManyChanged($standing, $changed, $status);
        }
        $problem = $changed->sketch->problem;
        $goesOn = in_array($this->status, [Status::InReview, Status::Cleared], true);
        $why = match (true) {
            $status === $this->status => 'is so already',
            $role === null || !in_array($this->status, $status->next($role), true) => sprintf(
                'what is %s cannot be made %s',
                $status->value,
                $this->status->value,
            ),
            $this->status === Status::Cleared && !$mayClear => Clearing::REFUSED,
            $goesOn && $problem !== null => 'it is not whole yet: ' . $problem['message'],
            default => null,
        };

        return $why === null
            ? new ManyChanged(
                $standing,
                new Changed(
                    $changed->sketch,
                    $changed->objective,
                    [...$changed->changes, ['what' => 'status', 'from' => $standing->status->value, 'to' => $this->status->value]],
                    $changed->stays,
                ),
                $this->status,
            )
            : new ManyChanged(
                $standing,
                new Changed($changed->sketch, $changed->objective, $changed->changes, [
                    ...$changed->stays,
                    ['what' => 'status', 'why' => $why],
                ]),
                $status,
            );
    }
}
