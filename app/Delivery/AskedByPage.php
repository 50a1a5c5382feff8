<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Sitting\Act\Act;
use Zetema\Core\Sitting\Act\Check;
use Zetema\Core\Sitting\Act\Flag;
use Zetema\Core\Sitting\Act\Given;
use Zetema\Core\Sitting\Act\GoOn;
use Zetema\Core\Sitting\Act\HandIn;
use Zetema\Core\Sitting\Act\MoveTo;
use Zetema\Core\Sitting\Act\OpenHint;
use Zetema\Core\Sitting\Act\Save;
use Zetema\Core\Sitting\Paper\PageAnswers;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Time\Instant;

/**
 * What a candidate's page asks to do. It calls questions by their number on the candidate's path, and answers by their place on the page.
 */
final readonly class AskedByPage
{
    /** What a page can ask for; the ones named last at no question. */
    private const TYPES = ['saved', 'checked', 'hint opened', 'flagged', 'unflagged', 'went to', 'went on', 'handed in'];

    private string $type;
    private ?QuestionPlace $place;

    /** @throws Malformed */
    public function __construct(private Going $going, private Fields $body)
    {
        $this->type = $body->text('type');
        if (!in_array($this->type, self::TYPES, true)) {
            throw new Malformed('type', 'is nothing a candidate can do');
        }
        $sheet = $body->optionalInteger('sheet');
        $id = $going->state->asked[($sheet ?? 0) - 1] ?? null;
        $this->place = $id === null ? null : $going->paper->questions[$id];
        if ($this->place === null && !in_array($this->type, ['went on', 'handed in'], true) && $going->state->isRunning()) {
            throw new Malformed('sheet', 'is no question of this paper');
        }
    }

    /**
     * @throws Malformed if the response is none that the page could send
     */
    public function act(Instant $now): Act
    {
        $name = $this->place->name ?? '';

        return match ($this->type) {
            'saved' => new Save($now, $name, $this->response()),
            'checked' => new Check($now, $name, $this->response()),
            'hint opened' => new OpenHint($now, $name),
            'flagged', 'unflagged' => new Flag($now, $name, $this->type === 'flagged'),
            'went to' => MoveTo::question($now, $name),
            'went on' => new GoOn($now),
            default => new HandIn($now),
        };
    }

    /**
     * Whether a request says again what the one with its id said before.
     *
     * @param array{kind: string, place: string|null, data: string|null} $before
     */
    public function isTheSameAs(array $before): bool
    {
        $data = $before['data'] === null ? [] : Fields::ofJson($before['data'])->raw();
        $kind = $this->type === 'unflagged' ? 'flagged' : $this->type;
        if ($before['kind'] !== $kind || ($before['place'] ?? '') !== ($this->place->id ?? '')) {
            return false;
        }
        try {
            return match ($this->type) {
                'flagged', 'unflagged' => ($data['on'] ?? null) === ($this->type === 'flagged'),
                'saved', 'checked' => in_array(
                    $this->read($data['response'] ?? null),
                    array_map(fn (PageAnswers $page): string => $this->read($this->given($page)), $this->pages()),
                    true,
                ),
                default => true,
            };
        } catch (Malformed) {
            return false;
        }
    }

    /** A response in its one form. */
    private function read(mixed $given): string
    {
        return $this->place === null
            ? ''
            : (string) json_encode($this->place->question->kind->response($given, $this->place->settings, complete: false)->toData());
    }

    /** @return list<PageAnswers> how the question stood at each attempt of this round */
    private function pages(): array
    {
        if ($this->place === null) {
            return [];
        }
        $visit = $this->going->state->visit($this->place->id);

        return array_map(
            fn (int $attempt): PageAnswers => $this->going->paper->page($this->place, count($visit->rounds), $attempt),
            range(1, $visit->attempt()),
        );
    }

    private function given(PageAnswers $page): mixed
    {
        return $page->toNumbers($this->body->raw()['response'] ?? null);
    }

    /** In the question's numbers; refused by the name of the field if no page could have sent it. */
    private function response(): Given
    {
        if ($this->place === null) {
            return Given::of(Response::blank());
        }
        $given = $this->given($this->going->paper->pageOf($this->place, $this->going->state->visit($this->place->id)));

        return Given::of($this->place->question->kind->response($given, $this->place->settings, complete: false));
    }
}
