<?php

declare(strict_types=1);

namespace Zetema\App\Bank\Media;

use Doctrine\ORM\EntityManagerInterface;
use Zetema\App\Bank\Bank;
use Zetema\App\Bank\Page\Page;
use Zetema\App\Shared\Saving;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Question\Mentions;

/** Pictures, sound and film: taken in safely, kept once by content, found by name. */
final readonly class Media
{
    public const LARGEST_PICTURE = 8_000_000;
    public const LARGEST_OTHER = 30_000_000;

    public function __construct(private EntityManagerInterface $em, private Saving $saving, private MediaFiles $files)
    {
    }

    /**
     * Takes a file in. The same content under the same name is there already; another content under a known name gets a new name.
     *
     * @return array{medium: Medium, takenOut: list<string>} what a drawing had to leave behind, for its author
     *
     * @throws Malformed if it is none of the kinds that can be shown, or too large
     */
    public function take(Bank $bank, string $name, string $bytes): array
    {
        if ($bytes === '') {
            throw new Malformed('file', 'is empty');
        }
        [
            'bytes' => $bytes,
            'type' => $type,
            'extension' => $extension,
            'width' => $width,
            'height' => $height,
            'takenOut' => $takenOut,
        ] = $this->safe($bytes);
        $hash = hash('sha256', $bytes);
        $this->files->keep($hash, $bytes);
        // Whether a name is free is asked where nobody else can take it.
        $medium = $this->saving->make(function () use ($bank, $name, $extension, $hash, $type, $bytes, $width, $height): Medium {
            $free = $this->freeName($bank, $name, $extension, $hash);
            $known = $this->named($bank, $free);
            if ($known !== null) {
                return $known;
            }
            $this->em->persist(
                $medium = new Medium($this->saving->again(Bank::class, $bank->id), $free, $hash, $type, strlen($bytes), $width, $height),
            );
            $this->em->flush();

            return $medium;
        });

        return ['medium' => $medium, 'takenOut' => $takenOut];
    }

    /**
     * Keeps a file, made safe, for a bank that may take it in later: what it would be called there, and its hash.
     *
     * @param array<string, string> $promised hashes of others that wait, by their names
     *
     * @return array{name: string, hash: string}
     *
     * @throws Malformed as above
     */
    public function await(Bank $bank, string $name, string $bytes, array $promised): array
    {
        ['bytes' => $bytes, 'extension' => $extension] = $this->safe($bytes);
        $hash = hash('sha256', $bytes);
        $this->files->await($hash, $bytes);

        return ['name' => $this->freeName($bank, $name, $extension, $hash, $promised), 'hash' => $hash];
    }

    public function forgetWaiting(\DateTimeImmutable $now): void
    {
        $this->files->forgetWaiting($now);
    }

    /**
     * Takes in a file that was kept.
     *
     * @throws Malformed if there is none, or something else was given its name meanwhile
     */
    public function adopt(Bank $bank, string $name, string $hash): void
    {
        $known = $this->named($bank, $name);
        if ($known?->hash === $hash) {
            return;
        }
        $bytes = $known === null && preg_match('/^[0-9a-f]{64}$/', $hash) === 1 ? $this->files->contents($hash) : null;
        if ($bytes === null || preg_match('/^[a-z0-9-]{1,90}\.[a-z0-9]{3,4}$/', $name) !== 1) {
            throw new Malformed(
                'pictures',
                sprintf(
                    $known === null
                        ? '“%s” is not kept any more; open the package again'
                        : 'another picture is called “%s” by now; open the package again',
                    $name,
                ),
            );
        }
        $type =
            self::soundOrFilm($bytes)[0] ??
            (str_ends_with($name, '.svg') ? 'image/svg+xml' : 'image/' . (str_ends_with($name, '.jpg') ? 'jpeg' : 'png'));
        $size = str_ends_with($name, '.svg') ? SvgCleaner::clean($bytes) : null;
        $pixels = $size === null && str_starts_with($type, 'image/') ? @getimagesizefromstring($bytes) : false;
        $this->files->keep($hash, $bytes);
        $this->em->persist(
            new Medium(
                $bank,
                $name,
                $hash,
                $type,
                strlen($bytes),
                $size['width'] ?? ($pixels === false ? null : $pixels[0]),
                $size['height'] ?? ($pixels === false ? null : $pixels[1]),
            ),
        );
        $this->em->flush();
    }

    /**
     * Takes in a file of an archive under the name that its bank had for it.
     *
     * @throws Malformed as above
     */
    public function restore(Bank $bank, string $name, string $bytes): void
    {
        $hash = hash('sha256', $bytes);
        // What this installation made safe once is not made so again: a photograph would lose by it.
        $hash = $this->files->has($hash) ? $hash : $this->await($bank, $name, $bytes, [])['hash'];
        $this->adopt($bank, $name, $hash);
    }

    private function named(Bank $bank, string $name): ?Medium
    {
        return $this->em->getRepository(Medium::class)->findOneBy(['bank' => $bank, 'name' => $name]);
    }

    /**
     * One that is free, or has this content already.
     *
     * @param array<string, string> $promised
     */
    private function freeName(Bank $bank, string $name, string $extension, string $hash, array $promised = []): string
    {
        $stem = trim(preg_replace('/[^a-z0-9]+/', '-', mb_strtolower(pathinfo($name, PATHINFO_FILENAME))) ?? '', '-');
        $stem = mb_substr($stem === '' ? 'picture' : $stem, 0, 80);
        for ($n = 1; true; ++$n) {
            $tried = $stem . ($n === 1 ? '' : "-$n") . '.' . $extension;
            $known = $promised[$tried] ?? $this->named($bank, $tried)?->hash;
            if ($known === null || $known === $hash) {
                return $tried;
            }
        }
    }

    /** @return list<Medium> by name */
    public function of(Bank $bank): array
    {
        return $this->em->getRepository(Medium::class)->findBy(['bank' => $bank], ['name' => 'ASC']);
    }

    /**
     * The pages and media of a bank that an author's texts mention, by their whole names; and the media of those pages.
     *
     * @param list<array{name: string, heading: string|null, reads: string}>|null $pages the pages mentioned, where others count than those
     *   of the bank now
     *
     * @return array{pages: object, media: object} by name
     */
    public function mentioned(Bank $bank, Mentions $mentions, ?array $pages = null): array
    {
        $told = [];
        foreach ($pages ?? $this->pages($bank, $mentions->pages()) as ['name' => $name, 'heading' => $heading, 'reads' => $reads]) {
            $told[$name] = ['heading' => $heading, 'reads' => $reads];
            $mentions->inTexts($reads);
        }
        $media = [];
        $named = $mentions->files();
        $files =
            $named === [] ? [] : $this->em->getRepository(Medium::class)->findBy(['bank' => $bank, 'name' => $named], ['name' => 'ASC']);
        foreach ($files as $medium) {
            $media[$medium->name] = $medium->toData();
        }

        return ['pages' => (object) $told, 'media' => (object) $media];
    }

    /**
     * @param list<string> $names
     *
     * @return list<array{name: string, heading: string|null, reads: string}>
     */
    private function pages(Bank $bank, array $names): array
    {
        $pages = $names === [] ? [] : $this->em->getRepository(Page::class)->findBy(['bank' => $bank, 'name' => $names]);

        return array_map(
            static fn (Page $page): array => ['name' => $page->name(), 'heading' => $page->heading(), 'reads' => $page->reads()],
            $pages,
        );
    }

    /** @return \Closure(string): ?string what a bank's file holds, by its name */
    public function contentsOf(Bank $bank): \Closure
    {
        $hashes = array_column(array_map(static fn (Medium $m): array => [$m->name, $m->hash], $this->of($bank)), 1, 0);

        return function (string $name) use ($hashes): ?string {
            $contents = isset($hashes[$name]) ? @file_get_contents($this->path($hashes[$name])) : false;

            return $contents === false ? null : $contents;
        };
    }

    public function byHash(string $hash): ?Medium
    {
        return $this->em->getRepository(Medium::class)->findOneBy(['hash' => $hash]);
    }

    public function path(string $hash): string
    {
        return $this->files->path($hash);
    }

    /** @return array{bytes: string, type: string, extension: string, width: int|null, height: int|null, takenOut: list<string>} */
    private function safe(string $bytes): array
    {
        $other = self::soundOrFilm($bytes);
        $most = $other === null ? self::LARGEST_PICTURE : self::LARGEST_OTHER;
        if (strlen($bytes) > $most) {
            throw new Malformed(
                'file',
                sprintf(
                    'has %.1f MB; a %s may have up to %d MB',
                    strlen($bytes) / 1e6,
                    $other === null ? 'picture' : 'sound or film',
                    intdiv($most, 1_000_000),
                ),
            );
        }
        if ($other !== null) {
            return [
                'bytes' => $bytes,
                'type' => $other[0],
                'extension' => $other[1],
                'width' => null,
                'height' => null,
                'takenOut' => [],
            ];
        }
        if (preg_match('/^(\xEF\xBB\xBF)?\s*(<\?xml|<!--|<!DOCTYPE|<svg)/i', substr($bytes, 0, 500)) === 1) {
            $drawing = SvgCleaner::clean($bytes);

            return [
                'bytes' => $drawing['svg'],
                'type' => 'image/svg+xml',
                'extension' => 'svg',
                'width' => $drawing['width'],
                'height' => $drawing['height'],
                'takenOut' => $drawing['takenOut'],
            ];
        }
        $picture = PictureMaker::make($bytes);

        return [
            'bytes' => $picture['bytes'],
            'type' => $picture['type'],
            'extension' => $picture['type'] === 'image/jpeg' ? 'jpg' : 'png',
            'width' => $picture['width'],
            'height' => $picture['height'],
            'takenOut' => [],
        ];
    }

    /** @return array{string, string}|null type and extension, by the first bytes */
    private static function soundOrFilm(string $bytes): ?array
    {
        $head = substr($bytes, 0, 16);

        return match (true) {
            str_starts_with($head, 'ID3'), str_starts_with($head, "\xFF\xFB"), str_starts_with($head, "\xFF\xF3") => ['audio/mpeg', 'mp3'],
            str_starts_with($head, 'OggS') => ['audio/ogg', 'ogg'],
            str_starts_with($head, 'RIFF') && substr($head, 8, 4) === 'WAVE' => ['audio/wav', 'wav'],
            substr($head, 4, 8) === 'ftypM4A ' => ['audio/mp4', 'm4a'],
            substr($head, 4, 4) === 'ftyp' => ['video/mp4', 'mp4'],
            str_starts_with($head, "\x1A\x45\xDF\xA3") => ['video/webm', 'webm'],
            default => null,
        };
    }
}
