<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Settings;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Bank\Question\Question;
use Zetema\App\Bank\Question\Revisions;
use Zetema\App\Shared\Stale;
use Zetema\Core\Data\Fields;
use Zetema\Core\Exchange\TextFormat;
use Zetema\Core\Question as Core;
use Zetema\Core\Question\KindId;
use Zetema\Core\Question\Settings\BankSettings;
use Zetema\Core\Question\Settings\Setting;
use Zetema\Core\Question\Settings\Settings;

/** What is set for a bank as a whole, and the bank as text. */
final readonly class BankSettingsEditing
{
    public function __construct(private EntityManagerInterface $em)
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

        return ['version' => $bank->version(), 'settings' => (object) $bank->settings()->every->values, 'byKind' => (object) $byKind, 'takes' => self::takes(), 'house' => (object) $house];
    }

    /** Worths that follow from the settings are worked out anew; cleared revisions keep their text. */
    public function set(Bank $bank, Fields $body): void
    {
        if ($body->integer('version') !== $bank->version()) {
            throw new Stale('The settings of this bank were changed in another window or by someone else since you opened them.', $this->settings($bank));
        }
        $bank->set(self::read($body));
        foreach ($this->em->getRepository(Question::class)->findBy(['bank' => $bank]) as $question) {
            foreach (array_filter([$question->newest(), $question->cleared()]) as $revision) {
                if ($revision->isWhole()) {
                    $revision->computeWorth();
                }
            }
        }
        $this->em->flush();
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

    /** The bank in the text format: its settings, its pages and every question that is whole; the others as remarks. */
    public function text(Bank $bank): string
    {
        $writer = new TextFormat\Writer();
        $text = $writer->bank($bank->name);
        $text .= $writer->bankSettings($bank->settings());
        foreach ($this->em->getRepository(Page::class)->findBy(['bank' => $bank], ['name' => 'ASC']) as $page) {
            $text .= $writer->page(new TextFormat\Page($page->name(), $page->heading(), $page->reads()));
        }
        foreach ($this->em->getRepository(Question::class)->findBy(['bank' => $bank], ['objective' => 'ASC', 'id' => 'ASC']) as $question) {
            $revision = $question->newest();
            $text .= $revision->isWhole() ? $writer->question($revision->question()) : "\n-- " . implode("\n-- ", explode("\n", implode("\n", Revisions::text($revision)))) . "\n";
        }

        return $text;
    }
}
