<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;

/**
 * Sessions as files that are whole or not there: each is written beside its place and moved onto it, so that a killed server or a
 * full disk leaves the last whole one. No request waits for another of the same person; a session holds who is logged in and
 * nothing that two requests could both change.
 */
final class SessionFiles extends AbstractSessionHandler
{
    /** The session that was read from its file in this request. */
    private ?string $read = null;

    public function __construct(#[Autowire('%kernel.project_dir%/var/sessions/%kernel.environment%')] private readonly string $folder)
    {
    }

    public function close(): bool
    {
        $this->read = null;

        return true;
    }

    public function updateTimestamp(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        $path = $this->path($sessionId);

        return !is_file($path) || touch($path);
    }

    public function gc(int $maxlifetime): int
    {
        $gone = 0;
        foreach ((array) glob($this->folder . '/sess_*') as $path) {
            if (is_string($path) && (int) @filemtime($path) < time() - $maxlifetime) {
                $gone += @unlink($path) ? 1 : 0;
            }
        }

        return $gone;
    }

    protected function doRead(#[\SensitiveParameter] string $sessionId): string
    {
        $data = @file_get_contents($this->path($sessionId));
        $this->read = $data === false || $data === '' ? $this->read : $sessionId;

        return $data === false ? '' : $data;
    }

    protected function doWrite(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        $path = $this->path($sessionId);
        if ($this->read === $sessionId && !is_file($path)) {
            return true; // logged out by another request meanwhile: it stays so
        }
        if (!is_dir($this->folder)) {
            mkdir($this->folder, 0o700, true);
        }
        $beside = $path . '.' . bin2hex(random_bytes(4));
        if (@file_put_contents($beside, $data) !== strlen($data)) {
            @unlink($beside);

            return is_file($path); // the disk is full: the last whole one stays
        }

        return rename($beside, $path);
    }

    protected function doDestroy(#[\SensitiveParameter] string $sessionId): bool
    {
        @unlink($this->path($sessionId));

        return true;
    }

    private function path(#[\SensitiveParameter] string $sessionId): string
    {
        return $this->folder . '/sess_' . preg_replace('/[^A-Za-z0-9,-]/', '_', $sessionId);
    }
}
