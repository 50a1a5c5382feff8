<?php

declare(strict_types=1);

namespace Zetema\App\Delivery;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Sitting\Paper\PageAnswers;
use Zetema\Core\Sitting\Paper\QuestionPlace;
use Zetema\Core\Sitting\Run\Act;

/** What a candidate's page asks to do. It calls questions by their number on the candidate's path, and answers by their place on the page. */
final readonly class AskedByPage
{
    /** What a page can ask for, and the act it is. */
    private const ACTS = [
        'saved' => Act::SAVE, 'checked' => Act::CHECK, 'hint opened' => Act::HINT, 'flagged' => Act::FLAG, 'unflagged' => Act::FLAG,
        'went on' => Act::GO_ON, 'went to' => Act::GO_TO, 'handed in' => Act::HAND_IN,
    ];

    private string $type;
    private ?QuestionPlace $place;

    /** @throws Malformed */
    public function __construct(private Going $going, private Fields $body)
    {
        $this->type = $body->text('type');
        if (!isset(self::ACTS[$this->type])) {
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
     * @param int $now in microseconds
     *
     * @throws Malformed if the response is none that the page could send
     */
    public function act(int $now): Act
    {
        $says = in_array($this->type, ['saved', 'checked'], true);

        return new Act(self::ACTS[$this->type], $now, $this->place?->name, null, $says, $says ? $this->response() : null, $this->type === 'flagged');
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
                'saved', 'checked' => in_array($this->read($data['response'] ?? null), array_map(fn (PageAnswers $page): string => $this->read($this->given($page)), $this->pages()), true),
                default => true,
            };
        } catch (Malformed) {
            return false;
        }
    }

    /** A response in its one form. */
    private function read(mixed $given): string
    {
        return $this->place === null ? '' : (string) json_encode($this->place->question->kind->response($given, $this->place->settings, complete: false)->toData());
    }

    /** @return list<PageAnswers> how the question stood at each attempt of this round */
    private function pages(): array
    {
        if ($this->place === null) {
            return [];
        }
        $visit = $this->going->state->visit($this->place->id);

        return array_map(fn (int $attempt): PageAnswers => $this->going->paper->page($this->place, count($visit->rounds), $attempt), range(1, $visit->attempt()));
    }

    private function given(PageAnswers $page): mixed
    {
        return $page->toNumbers($this->body->raw()['response'] ?? null);
    }

    /** In the question's numbers; refused by the name of the field if no page could have sent it. */
    private function response(): mixed
    {
        if ($this->place === null) {
            return null;
        }
        $given = $this->given($this->going->paper->pageOf($this->place, $this->going->state->visit($this->place->id)));
        $this->read($given);

        return $given;
    }
}
