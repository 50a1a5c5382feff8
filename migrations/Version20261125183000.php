<?php

declare(strict_types=1);

namespace Zetema\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125183000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What reviewers say at lines is called a comment; “re-mark” is marking anew';
    }

    public function up(Schema $schema): void
    {
        foreach (['E1CAD839E1FA7797', 'E1CAD8391E27F6BF', 'E1CAD839F675F31B'] as $index) {
            $this->addSql('DROP INDEX IDX_' . $index);
        }
        $this->addSql('ALTER TABLE remark RENAME TO comment');
        $this->addSql('CREATE INDEX IDX_9474526CE1FA7797 ON comment (closed_by_id)');
        $this->addSql('CREATE INDEX IDX_9474526C1E27F6BF ON comment (question_id)');
        $this->addSql('CREATE INDEX IDX_9474526CF675F31B ON comment (author_id)');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException('Go back by a backup.');
    }
}
