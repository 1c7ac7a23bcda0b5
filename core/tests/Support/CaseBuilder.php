<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\CaseFile\CaseFile;

/** Makes the ordinary case: an adult, everything asked and denied; a test states only what differs. */
final class CaseBuilder
{
    /** @var array<string, mixed> */
    private array $case = [
        'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-02',
        'client' => ['age' => 40, 'hand' => 'right'],
        'health' => ['others_denied' => true],
        'findings' => [],
        'session' => ['minutes' => 60],
    ];

    public static function aCase(): self
    {
        return new self;
    }

    /** @param  array<string, mixed>  $parts */
    public function with(array $parts): self
    {
        $this->case = array_replace_recursive($this->case, $parts);

        return $this;
    }

    public function without(string $part, string $key): self
    {
        unset($this->case[$part][$key]);

        return $this;
    }

    public function aged(int $age): self
    {
        return $this->with(['client' => ['age' => $age]]);
    }

    public function nothingAsked(): self
    {
        return $this->with(['health' => ['others_denied' => false]]);
    }

    public function flag(string $flag, string $answer = 'yes'): self
    {
        return $this->with(['health' => ['red_flags' => [$flag => $answer]]]);
    }

    /** @param  array<string, mixed>  $details */
    public function condition(string $condition, array $details = []): self
    {
        return $this->add('health', 'conditions', ['condition' => $condition, 'answer' => 'yes', ...$details]);
    }

    public function complaint(string $zone, string $side, float $now = 5): self
    {
        return $this->add('findings', 'complaints', ['zone' => $zone, 'side' => $side, 'now' => $now]);
    }

    /** @param  array<string, mixed>  $details */
    public function felt(string $muscle, string $side, array $details): self
    {
        return $this->add('findings', 'palpation', ['muscle' => $muscle, 'side' => $side, ...$details]);
    }

    /** @param  array<string, mixed>  $details */
    public function range(string $movement, string $side, array $details): self
    {
        return $this->add('findings', 'range', ['movement' => $movement, 'side' => $side, ...$details]);
    }

    public function agreed(string ...$areas): self
    {
        foreach ($areas as $area) {
            $this->case['consent'][] = ['area' => $area, 'given' => true];
        }

        return $this;
    }

    /** @param  array<string, mixed>  $visit */
    public function visited(string $date, array $visit): self
    {
        // nothing found is an object without keys, which PHP cannot tell from a list
        $this->case['history'][] = [
            'date' => $date, ...$visit, ...($visit['findings'] ?? null) === [] ? ['findings' => new \stdClass] : [],
        ];

        return $this;
    }

    /** @param  array<string, mixed>  $entry */
    public function add(string $part, string $list, array $entry): self
    {
        $this->case[$part][$list][] = $entry;

        return $this;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->case;
    }

    public function make(): CaseFile
    {
        $case = $this->case;
        foreach (['findings', 'health', 'session'] as $part) {
            $case[$part] = (object) $case[$part];
        }

        return Core::case($case);
    }
}
