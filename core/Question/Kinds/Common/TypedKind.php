<?php

declare(strict_types=1);

namespace Zetema\Core\Question\Kinds\Common;

use Zetema\Core\Data\Fields;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Answers\AnswerLine;
use Zetema\Core\Question\Kinds\Kind;
use Zetema\Core\Question\Response\Response;
use Zetema\Core\Question\Response\Space\TypedFreely;
use Zetema\Core\Question\Response\TypedText;
use Zetema\Core\Question\Settings\EffectiveSettings;

/** What the kinds have in common that are answered by typing one text. */
abstract readonly class TypedKind implements Kind
{
    /** The longest text taken from a candidate, in characters. */
    public const LONGEST = 10_000;

    public function shuffledLists(): array
    {
        return [];
    }

    public function choices(): array
    {
        return [];
    }

    public function response(mixed $given, EffectiveSettings $settings, bool $complete = true): Response
    {
        if ($given === null) {
            return Response::blank();
        }
        if ($given === []) {
            throw new Malformed('text', 'is missing; an unanswered question is null');
        }
        $text = Fields::of($given)->only('text')->text('text');
        if (!mb_check_encoding($text, 'UTF-8')) {
            throw new Malformed('text', 'is not UTF-8');
        }
        if (mb_strlen($text) > self::LONGEST) {
            throw new Malformed('text', sprintf('has more than %d characters', self::LONGEST));
        }

        return Response::typed($text);
    }

    public function inWords(Response $response, bool $withKey = false): array
    {
        $text = TypedText::in($response);

        return $text === null ? [] : [AnswerLine::typed($text)];
    }

    public function space(EffectiveSettings $settings): TypedFreely
    {
        return new TypedFreely();
    }

    public function isListable(): bool
    {
        return false;
    }
}
