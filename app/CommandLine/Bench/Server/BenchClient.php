<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Server;

use Zetema\App\CommandLine\Bench\Bank\LargeBank;

/** Somebody who is logged in, and speaks to the server as a browser does. */
final class BenchClient
{
    private readonly \CurlHandle $curl;
    private string $cookies = '';

    public function __construct(public readonly string $address, string $login)
    {
        $this->curl = curl_init();
        curl_setopt($this->curl, CURLOPT_COOKIEFILE, '');
        $this->ask('POST', '/api/log-in', ['login' => $login, 'password' => LargeBank::PASSWORD]);
        foreach (curl_getinfo($this->curl, CURLINFO_COOKIELIST) as $cookie) {
            $parts = explode("\t", $cookie);
            $this->cookies .= ($parts[5] ?? '') . '=' . ($parts[6] ?? '') . '; ';
        }
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array<array-key, mixed>
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $this->prepare($this->curl, $method, $path, $body);
        $answer = curl_exec($this->curl);
        $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        $told = json_decode(is_string($answer) ? $answer : '', true);
        if (!is_array($told) || $status >= 400) {
            throw new \RuntimeException(
                sprintf('%s %s was answered with %s: %s', $method, $path, json_encode($status), mb_substr((string) $answer, 0, 300)),
            );
        }

        return $told;
    }

    /**
     * A request of its own, to be sent beside others.
     *
     * @param array<string, mixed>|null $body
     */
    public function request(string $method, string $path, ?array $body): \CurlHandle
    {
        $curl = curl_init();
        $this->prepare($curl, $method, $path, $body);
        curl_setopt($curl, CURLOPT_COOKIE, $this->cookies === '' ? throw new \RuntimeException('nobody is logged in') : $this->cookies);

        return $curl;
    }

    /** @param array<string, mixed>|null $body */
    private function prepare(\CurlHandle $curl, string $method, string $path, ?array $body): void
    {
        self::prepared($curl, $this->address, $method, $path, $body);
    }

    /**
     * A request of somebody else.
     *
     * @param array<string, mixed>|null $body
     */
    public static function to(string $address, string $method, string $path, ?array $body, string $cookie = ''): \CurlHandle
    {
        $curl = curl_init();
        self::prepared($curl, $address, $method, $path, $body);
        if ($cookie !== '') {
            curl_setopt($curl, CURLOPT_COOKIE, $cookie);
        }

        return $curl;
    }

    /** @param array<string, mixed>|null $body */
    private static function prepared(\CurlHandle $curl, string $address, string $method, string $path, ?array $body): void
    {
        curl_setopt($curl, CURLOPT_URL, $address . '/' . ltrim($path, '/'));
        curl_setopt($curl, CURLOPT_CUSTOMREQUEST, $method === '' ? 'GET' : $method);
        curl_setopt($curl, CURLOPT_RETURNTRANSFER, true);
        curl_setopt($curl, CURLOPT_POSTFIELDS, $body === null ? '' : json_encode((object) $body, JSON_THROW_ON_ERROR));
        curl_setopt($curl, CURLOPT_HTTPHEADER, ['Content-Type: application/json', 'X-Zetema: 1', 'Expect:']);
    }
}
