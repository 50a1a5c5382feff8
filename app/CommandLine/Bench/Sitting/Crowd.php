<?php

declare(strict_types=1);

namespace Zetema\App\CommandLine\Bench\Sitting;

/** Many at once: each acts at its own moments, evenly spread, whether others are answered or not. */
final class Crowd
{
    public int $answered = 0;
    public int $errors = 0;
    /** @var list<float> milliseconds from the moment it should have been sent to the answer */
    private array $times = [];

    /** @param list<Sitter> $sitters */
    public function __construct(private readonly array $sitters)
    {
    }

    /** @param (callable(float): void)|null $meanwhile told the seconds since the beginning */
    public function run(float $seconds, float $every, ?callable $meanwhile = null): self
    {
        $multi = curl_multi_init();
        $began = microtime(true);
        $due = [];
        foreach (array_keys($this->sitters) as $i) {
            $due[$i] = $began + ($every * $i) / count($this->sitters);
        }
        $open = [];
        while (microtime(true) < $began + $seconds || $open !== []) {
            $now = microtime(true);
            foreach ($due as $i => $at) {
                if ($at <= $now && $at < $began + $seconds && !isset($open[$i])) {
                    $curl = $this->sitters[$i]->client->request(...$this->sitters[$i]->next());
                    $open[$i] = [$curl, $at];
                    $due[$i] = $at + $every;
                    curl_multi_add_handle($multi, $curl);
                }
            }
            if ($meanwhile !== null) {
                $meanwhile($now - $began);
            }
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.005);
            while (($done = curl_multi_info_read($multi)) !== false) {
                foreach ($open as $i => [$curl, $at]) {
                    if ($curl === $done['handle']) {
                        $this->take($this->sitters[$i], $curl, 1000 * (microtime(true) - $at));
                        curl_multi_remove_handle($multi, $curl);
                        unset($open[$i]);
                    }
                }
            }
        }

        return $this;
    }

    /** The time that so many took at most. @param float $share 0.95 for p95 */
    public function at(float $share): float
    {
        sort($this->times);

        return $this->times[(int) min(count($this->times) - 1, floor($share * count($this->times)))] ?? 0.0;
    }

    private function take(Sitter $sitter, \CurlHandle $curl, float $ms): void
    {
        $told = json_decode((string) curl_multi_getcontent($curl), true);
        if (!is_array($told) || curl_getinfo($curl, CURLINFO_RESPONSE_CODE) !== 200) {
            ++$this->errors;

            return;
        }
        ++$this->answered;
        $this->times[] = $ms;
        $sitter->went($told);
    }
}
