<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

use Zetema\App\CommandLine\Bench\Server\Times;

/** One request for each of many, at moments of chance within a window, beside somebody who asks something again and again. */
final class Storm
{
    /** Seconds between two looks of the other. */
    private const EACH = 0.5;
    public int $answered = 0;
    public int $refused = 0;
    /** How often the other was answered. */
    public int $meanwhile = 0;
    public int $authorRefused = 0;
    public readonly Times $times;
    public readonly Times $author;

    /**
     * @param list<StormSitter> $hall
     * @param callable(): \CurlHandle $other
     */
    public function __construct(private readonly array $hall, private readonly mixed $other)
    {
        $this->times = new Times();
        $this->author = new Times();
    }

    /** @param callable(StormSitter): \CurlHandle $ask */
    public function run(float $seconds, callable $ask): self
    {
        $multi = curl_multi_init();
        $began = microtime(true);
        $due = array_map(static fn (): float => $began + ($seconds * random_int(0, 1_000_000)) / 1_000_000, $this->hall);
        asort($due);
        /** @var array<int, array{\CurlHandle, StormSitter, float}> $open */
        $open = [];
        $looking = null;
        $looks = 0.0;
        while ($due !== [] || $open !== [] || $looking !== null) {
            $now = microtime(true);
            foreach ($due as $i => $at) {
                if ($at > $now) {
                    break;
                }
                $curl = $ask($this->hall[$i]);
                curl_setopt($curl, CURLOPT_HEADER, true);
                $open[spl_object_id($curl)] = [$curl, $this->hall[$i], $now];
                curl_multi_add_handle($multi, $curl);
                unset($due[$i]);
            }
            if ($looking === null && $now >= $looks && ($due !== [] || $open !== [])) {
                $looks = $now + self::EACH;
                $looking = [($this->other)(), $now];
                curl_multi_add_handle($multi, $looking[0]);
            }
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.005);
            while (($done = curl_multi_info_read($multi)) !== false) {
                $curl = $done['handle'];
                if (!$curl instanceof \CurlHandle) {
                    continue;
                }
                if ($looking !== null && $curl === $looking[0]) {
                    curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200 ? ++$this->meanwhile : ++$this->authorRefused;
                    $this->author->add(1000 * (microtime(true) - $looking[1]));
                    $looking = null;
                } else {
                    [, $sitter, $at] = $open[spl_object_id($curl)];
                    unset($open[spl_object_id($curl)]);
                    $this->take($curl, $sitter, 1000 * (microtime(true) - $at));
                }
                curl_multi_remove_handle($multi, $curl);
            }
        }

        return $this;
    }

    private function take(\CurlHandle $curl, StormSitter $sitter, float $ms): void
    {
        $whole = (string) curl_multi_getcontent($curl);
        $size = curl_getinfo($curl, CURLINFO_HEADER_SIZE);
        $told = json_decode(substr($whole, $size), true);
        $this->times->add($ms);
        if (!is_array($told) || !in_array(curl_getinfo($curl, CURLINFO_RESPONSE_CODE), [200, 201], true)) {
            ++$this->refused;

            return;
        }
        ++$this->answered;
        $sitter->went(substr($whole, 0, $size), $told);
    }
}
