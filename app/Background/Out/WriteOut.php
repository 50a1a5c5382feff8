<?php

declare(strict_types=1);

namespace Zetema\App\Background\Out;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Container\ContainerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\DependencyInjection\Attribute\AutowireLocator;
use Zetema\App\Background\Job;
use Zetema\App\Background\Progress;
use Zetema\App\Background\Task;
use Zetema\App\People\Account;
use Zetema\App\Shared\FixedZip;
use Zetema\App\Shared\NoRoom;
use Zetema\App\Shared\WholeFile;
use Zetema\Core\Data\Fields;

/**
 * Writes a file that waits to be fetched by whoever asked for it, for a day. Left half-way it is written anew; a part of it is never
 * fetched.
 */
final readonly class WriteOut implements Task
{
    /** Seconds that a file waits. */
    private const WAITS = 86_400;

    public function __construct(
        private EntityManagerInterface $em,
        #[AutowireLocator(WritesOut::class, defaultIndexMethod: 'name')]
        private ContainerInterface $ways,
        #[Autowire('%env(resolve:MEDIA_DIR)%/out')]
        private string $folder,
    ) {
    }

    public static function name(): string
    {
        return 'write out';
    }

    /** @return array{file: string, type: string, bytes: int}|null */
    public function run(Job $job, Progress $progress): ?array
    {
        $this->forgetOld();
        $input = Fields::of($job->input);
        $way = $this->ways->get($input->text('way'));
        $account = $this->em->find(Account::class, $job->account->id) ?? throw new \LogicException('a job is begun by somebody');
        $written =
            $way instanceof WritesOut
                ? $way->written($input, $account, $progress->beat(...))
                : throw new \LogicException('there is such a way');
        $progress->begin($written->total);
        $part = $this->path($job->id) . '.part';
        $pieces = self::counted($written, $progress);
        $isWhole = $written->isZip ? FixedZip::write($part, $pieces) : WholeFile::write($part, $pieces);
        if ($progress->isStopped()) {
            $this->forget($job->id);

            return null;
        }
        if (!$isWhole || !rename($part, $this->path($job->id))) {
            $this->forget($job->id);
            throw new NoRoom('There is no room to write a file.');
        }

        return ['file' => $written->name, 'type' => $written->type, 'bytes' => (int) filesize($this->path($job->id))];
    }

    public function abandon(Job $job): void
    {
        $this->forget($job->id);
    }

    /** Where the file of a job waits; it may have been fetched away by time. */
    public function path(int $job): string
    {
        if (!is_dir($this->folder)) {
            @mkdir($this->folder, 0o775, true);
        }

        return "$this->folder/$job";
    }

    /** @return \Generator<string, string> */
    private static function counted(WrittenOut $written, Progress $progress): \Generator
    {
        $done = 0;
        foreach ($written->pieces as $name => $piece) {
            yield (string) $name => $piece;
            if (!$progress->beat(min($written->total, $done += $written->each))) {
                return;
            }
        }
    }

    private function forget(int $job): void
    {
        foreach (['', '.part', '.part.part'] as $part) {
            @unlink($this->path($job) . $part);
        }
    }

    private function forgetOld(): void
    {
        $files = glob($this->folder . '/*');
        foreach ($files === false ? [] : $files as $file) {
            if (is_file($file) && filemtime($file) < time() - self::WAITS) {
                @unlink($file);
            }
        }
    }
}
