<?php

declare(strict_types=1);

namespace Zetema\Core\Question;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Kinds\KindId;
use Zetema\Core\Question\Settings\InvalidSetting;
use Zetema\Core\Question\Settings\Setting;

/**
 * A question as far as it has been written: either whole, or its data as typed with what keeps it from being one. Authors save long
 * before a question is whole; nothing typed may be lost for that.
 */
final readonly class Sketch
{
    /** The longest stored form, in bytes of JSON. */
    public const LONGEST = 400_000;
    /** What questions of every kind have. */
    private const LISTS = ['outcomeTexts', 'notes', 'hints'];
    private const OTHER = ['v', 'kind', 'stem', 'settings', 'tags', 'difficulty'];

    /**
     * @param array<string, mixed> $data the stored form: of the question where it is whole, else as typed
     * @param array{field: string|null, message: string}|null $problem why it is not whole
     */
    private function __construct(public array $data, public ?Question $question, public ?array $problem)
    {
    }

    public static function whole(Question $question): self
    {
        return new self($question->toData(), $question, null);
    }

    /**
     * @param list<string> $objective
     *
     * @throws Malformed if this could not even be shown again
     */
    public static function of(Fields $data, ?string $name, array $objective, Status $status = Status::Draft): self
    {
        $kept = self::shape($data);
        try {
            return self::whole(Question::fromData($data, $name, $objective, $status));
        } catch (InvalidQuestion $e) {
            return new self($kept, null, ['field' => $e->setting, 'message' => $e->getMessage()]);
        } catch (InvalidSetting $e) {
            // “attempts: …” names the setting that was refused.
            $word = explode(':', $e->getMessage())[0];

            return new self($kept, null, ['field' => Setting::tryFrom($word)?->value, 'message' => $e->getMessage()]);
        }
    }

    public function kind(): KindId
    {
        return KindId::from(is_string($this->data['kind'] ?? null) ? $this->data['kind'] : '');
    }

    public function stem(): string
    {
        return is_string($this->data['stem'] ?? null) ? $this->data['stem'] : '';
    }

    /** @return array<string, mixed> */
    private static function shape(Fields $data): array
    {
        $kind = KindId::tryFrom($data->text('kind')) ?? throw new Malformed('kind', sprintf('there is no kind “%s”', $data->text('kind')));
        $data->only(...self::LISTS, ...self::OTHER, ...array_keys($kind->facts()->empty));
        $data->text('stem');
        $data->textMap('settings');
        foreach ([...self::LISTS, ...$kind->facts()->lists] as $list) {
            $data->objects($list, optional: true);
        }
        $json = json_encode($data->raw(), JSON_INVALID_UTF8_SUBSTITUTE | JSON_UNESCAPED_UNICODE);
        if (strlen($json === false ? '' : $json) > self::LONGEST) {
            throw new Malformed('content', sprintf('is longer than %d kB; split it into several questions', self::LONGEST / 1000));
        }
        $problem = TextWork::problemIn($data->raw());
        if ($problem !== null) {
            throw new Malformed('content', sprintf('has %s, which no screen can show in good time', $problem));
        }
        $kept = [];
        foreach ($data->raw() as $key => $value) {
            $kept[(string) $key] = $value;
        }

        return $kept;
    }
}
