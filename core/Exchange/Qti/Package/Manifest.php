<?php

declare(strict_types=1);

namespace Zetema\Core\Exchange\Qti\Package;

use Zetema\Core\Exchange\Qti\Listing;
use Zetema\Core\Exchange\Qti\PackageFiles;
use Zetema\Core\Exchange\Qti\Texts\Paths;
use Zetema\Core\Exchange\Qti\Xml\Element;
use Zetema\Core\Exchange\Qti\Xml\RefusedXml;
use Zetema\Core\Exchange\Qti\Xml\XmlFile;

/** The list of what a package holds. */
final class Manifest
{
    public const NAME = 'imsmanifest.xml';
    /** Files that no resource need name. */
    private const QUIET = '/(?:\.(?:xsd|dtd|xsl)$|(?:^|\/)\.|^__MACOSX\/)/i';

    /** @var list<\Zetema\Core\Exchange\Qti\Package\Resource> in the order of the manifest */
    public array $resources = [];
    public readonly Listing $listing;
    /** @var array<string, true> */
    private array $named = [self::NAME => true];

    /** @throws RefusedXml */
    public function __construct(private readonly PackageFiles $files)
    {
        $this->listing = new Listing(self::NAME, self::NAME);
        $root = XmlFile::root($files->contents(self::NAME) ?? '');
        if ($root->name !== 'manifest') {
            throw new RefusedXml(sprintf('%s is no manifest', $root->written), $root->line);
        }
        $resources = $root->child('resources');
        $base = self::base($resources, self::base($root, ''));
        $identifiers = [];
        foreach ($resources?->children('resource') ?? [] as $resource) {
            $this->resources[] = $this->resource($resource, self::base($resource, $base));
            $identifiers[$resource->attribute('identifier') ?? ''] = true;
        }
        foreach ($resources?->below('dependency') ?? [] as $dependency) {
            $to = $dependency->attribute('identifierref') ?? '';
            if (!isset($identifiers[$to])) {
                $this->listing->problem($dependency, sprintf('dependency: there is no resource “%s”', $to));
            }
        }
    }

    private static function base(?Element $e, string $base): string
    {
        $own = trim($e?->attribute('xml:base') ?? '', '/');

        return trim($base . '/' . $own, '/');
    }

    private function resource(Element $e, string $base): Resource
    {
        $path = null;
        $href = $e->attribute('href');
        if ($href !== null) {
            $path = $this->path($e, 'href', $href, $base);
        }
        foreach ($e->children('file') as $file) {
            $of = $file->attribute('href') ?? '';
            if ($of !== $href) {
                $at = $this->path($file, 'file', $of, $base);
                $path ??= $href === null && preg_match('/\.xml$/i', $of) === 1 ? $at : null;
            }
        }

        return new Resource(
            $e->attribute('identifier') ?? '',
            $e->attribute('type') ?? '',
            $path,
            $e,
            Metadata::tags($e),
            Metadata::objective($e),
            Metadata::difficulty($e),
        );
    }

    private function path(Element $at, string $what, string $href, string $base): ?string
    {
        if (Paths::hasScheme($href)) {
            $this->listing->unmatched($at, $what . ' ' . $href);

            return null;
        }
        $path = Paths::resolved($href, $base);
        if ($path === null || !$this->files->has($path)) {
            $this->listing->problem(
                $at,
                sprintf($path === null ? '%s: “%s” leads out of the package' : '%s: “%s” is not in the package', $what, $href),
            );

            return null;
        }
        $this->named[$path] = true;

        return $path;
    }

    /** @return list<string> files that no resource names */
    public function unnamed(): array
    {
        return array_values(
            array_filter($this->files->paths(), fn (string $p): bool => !isset($this->named[$p]) && preg_match(self::QUIET, $p) !== 1),
        );
    }
}
