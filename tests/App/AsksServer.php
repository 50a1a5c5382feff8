<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Zetema\Core\Data\Fields;
use Zetema\Tests\Browser\Server;

/** Asks the real server, many requests at the same moment if need be. */
trait AsksServer
{
    private static ?Server $server = null;
    private string $cookie = '';

    private function logIn(string $login): void
    {
        $this->cookie = '';
        [[$status, , $headers]] = $this->atOnce([['POST', '/api/log-in', ['login' => $login, 'password' => 'honeycomb']]]);
        self::assertSame(200, $status);
        preg_match('/^set-cookie: ([^;]+)/im', $headers, $m);
        $this->cookie = $m[1] ?? '';
    }

    /** @param array<array-key, mixed>|null $body */
    private function ask(string $method, string $path, ?array $body = null): Fields
    {
        [[$status, $json]] = $this->atOnce([[$method, $path, $body]]);
        self::assertLessThan(300, $status, $json);

        return Fields::ofJson($json);
    }

    private function get(string $path): Fields
    {
        return Fields::ofJson($this->atOnce([['GET', $path, null]])[0][1]);
    }

    /**
     * @param list<array{string, string, array<array-key, mixed>|string|null}> $requests a body as JSON, or as it is
     *
     * @return list<array{int, string, string}> status, body, headers, in the same order
     */
    private function atOnce(array $requests): array
    {
        $all = curl_multi_init();
        $handles = [];
        foreach ($requests as [$method, $path, $body]) {
            $handle = curl_init('http' . substr(self::$server->address ?? '', 4) . $path);
            curl_setopt($handle, CURLOPT_CUSTOMREQUEST, $method === '' ? 'GET' : $method);
            curl_setopt($handle, CURLOPT_RETURNTRANSFER, true);
            curl_setopt($handle, CURLOPT_HEADER, true);
            curl_setopt($handle, CURLOPT_COOKIE, $this->cookie === '' ? 'none=1' : $this->cookie);
            curl_setopt($handle, CURLOPT_HTTPHEADER, ['Content-Type: application/json', 'X-Zetema: 1', 'Expect:']);
            if ($body !== null) {
                curl_setopt($handle, CURLOPT_POSTFIELDS, is_string($body) ? $body : json_encode((object) $body, JSON_THROW_ON_ERROR));
            }
            curl_multi_add_handle($all, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all, 0.1);
        } while ($running > 0);

        return array_map(static function (\CurlHandle $handle): array {
            $whole = (string) curl_multi_getcontent($handle);
            $size = curl_getinfo($handle, CURLINFO_HEADER_SIZE);

            return [curl_getinfo($handle, CURLINFO_RESPONSE_CODE), substr($whole, $size), substr($whole, 0, $size)];
        }, $handles);
    }

    /**
     * @param list<array{int, string, string}> $answers
     *
     * @return array<int, int> how many by status
     */
    private static function counted(array $answers): array
    {
        $counts = array_count_values(array_column($answers, 0));
        ksort($counts);

        return $counts;
    }
}
