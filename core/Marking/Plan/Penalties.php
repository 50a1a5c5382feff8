<?php

declare(strict_types=1);

namespace Zetema\Core\Marking\Plan;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Numbers\Ratio;
use Zetema\Core\Question\Points;
use Zetema\Core\Question\Question;
use Zetema\Core\Question\Settings\EffectiveSettings;
use Zetema\Core\Question\Settings\Late;
use Zetema\Core\Question\Settings\Setting;

/** What is taken off, by steps 2 to 8 of marking.md. */
final readonly class Penalties
{
    /**
     * @param list<string> $attempts for the 2nd, 3rd … attempt: points such as "5", or a share of the worth such as "50 %"; the last one
     *   repeats
     * @param list<string> $hints points for each hint in its order
     */
    private function __construct(
        public Ratio $wrong,
        public Ratio $blank,
        public array $attempts,
        public array $hints,
        public ?Ratio $floor,
        public Late $late,
        public int $decimals,
    ) {
    }

    /**
     * @param Ratio|null $factor by which what the question itself says in points is scaled; null: not at all. Shares of the worth stay as
     *   they are
     */
    public static function of(Question $question, EffectiveSettings $settings, ?Ratio $factor = null): self
    {
        $scaled = static fn (string $points, bool $own): Ratio => $own && $factor !== null
            ? Ratio::of($points)->multipliedBy($factor)
            : Ratio::of($points);
        $own = static fn (Setting $setting): bool => $settings->placeOf($setting) === EffectiveSettings::QUESTION;
        $value = static fn (Setting $setting): Ratio => $scaled((string) $settings->points($setting), $own($setting));
        $floor = $settings->get(Setting::Floor);
        $usual = $value(Setting::HintCosts);

        return new self(
            $value(Setting::WrongCosts),
            $value(Setting::BlankCosts),
            array_map(
                static fn (string $entry): string => str_ends_with($entry, '%')
                    ? $entry
                    : (string) $scaled($entry, $own(Setting::AttemptCosts)),
                $settings->entries(Setting::AttemptCosts),
            ),
            array_map(
                static fn ($hint): string => (string) ($hint->costs === null ? $usual : $scaled((string) $hint->costs, true)),
                $question->hints,
            ),
            $floor === null || $floor === 'none' ? null : $value(Setting::Floor),
            $settings->late(),
            $settings->integer(Setting::Decimals),
        );
    }

    /** What the given attempt costs, in points. */
    public function forAttempt(int $attempt, Points $worth): Ratio
    {
        if ($attempt < 2 || $this->attempts === []) {
            return Ratio::zero();
        }
        $entry = $this->attempts[min($attempt - 2, count($this->attempts) - 1)];

        return str_ends_with($entry, ' %')
            ? Ratio::of(substr($entry, 0, -2))->dividedBy(100)->multipliedBy($worth->exact())
            : Ratio::of($entry);
    }

    public function forHints(int $used): Ratio
    {
        $sum = Ratio::zero();
        foreach (array_slice($this->hints, 0, $used) as $costs) {
            $sum = $sum->plus(Ratio::of($costs));
        }

        return $sum;
    }

    /** @return array<string, mixed> */
    public function toData(): array
    {
        return [
            'wrong' => (string) $this->wrong,
            'blank' => (string) $this->blank,
            'attempts' => $this->attempts,
            'hints' => $this->hints,
            'floor' => $this->floor === null ? null : (string) $this->floor,
            'late' => $this->late->value,
            'decimals' => $this->decimals,
        ];
    }

    public static function fromData(Fields $data): self
    {
        $floor = $data->optionalText('floor');

        return new self(
            Ratio::of($data->text('wrong')),
            Ratio::of($data->text('blank')),
            $data->texts('attempts'),
            $data->texts('hints'),
            $floor === null ? null : Ratio::of($floor),
            Late::tryFrom($data->text('late')) ?? throw new Malformed('late', 'is wrong, blank or marks'),
            $data->integer('decimals'),
        );
    }
}
