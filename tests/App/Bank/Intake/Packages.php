<?php

declare(strict_types=1);

namespace Zetema\Tests\App\Bank\Intake;

use Zetema\Core\Data\Fields;

/** Packages of the open standard, made and opened for a bank. */
trait Packages
{
    /** @param array<string, string> $files */
    private static function package(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zetema-test');
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::OVERWRITE);
        $resources = '';
        foreach ($files as $name => $contents) {
            $zip->addFromString($name, $contents);
            $resources .= sprintf(
                '<resource identifier="R%d" type="%s" href="%s"><file href="%3$s"/></resource>',
                crc32($name),
                match (true) {
                    str_starts_with($name, 'tests/') => 'imsqti_test_xmlv2p1',
                    str_ends_with($name, '.xml') => 'imsqti_item_xmlv2p1',
                    default => 'webcontent',
                },
                $name,
            );
        }
        $zip->addFromString('imsmanifest.xml', "<manifest xmlns=\"http://www.imsglobal.org/xsd/imscp_v1p1\"><resources>$resources</resources></manifest>");
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    private function opened(string $bytes, string $name, int $status = 200): Fields
    {
        $this->client->request('POST', '/api/banks/1/intake/package?' . http_build_query(['name' => $name]), server: ['HTTP_X_ZETEMA' => '1', 'CONTENT_TYPE' => 'application/octet-stream'], content: $bytes);
        $answer = $this->client->getInternalResponse();
        self::assertSame($status, $answer->getStatusCode(), $answer->getContent());

        return Fields::ofJson($answer->getContent());
    }
}
