<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Question;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsEntityListener;
use Doctrine\ORM\Events;
use Zetema\App\Bank\Question\Listing\SearchIndex;
use Zetema\App\Bank\Review\ProofreadingStore;

/**
 * What is kept beside a question and follows from it: its words for searching, the proofreader's notes. Written within the same
 * transaction.
 */
#[AsEntityListener(Events::postPersist, entity: Question::class, method: 'write')]
#[AsEntityListener(Events::postUpdate, entity: Question::class, method: 'write')]
#[AsEntityListener(Events::preRemove, entity: Question::class, method: 'forget')]
final readonly class WhatFollows
{
    public function __construct(private SearchIndex $search, private ProofreadingStore $notes)
    {
    }

    public function write(Question $question): void
    {
        if ($question->isGoing()) {
            return;
        }
        $this->search->write($question);
        $this->notes->keep($question);
    }

    public function forget(Question $question): void
    {
        $this->search->forget($question->id);
    }
}
