<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Data\Fault;

/** What no schema can say: values a body cannot have, dates to come, sides that do not exist, entries that contradict each other. */
final class CaseSense
{
    /** @var list<Fault> */
    private array $faults = [];

    private ?string $asOf = null;

    /**
     * @param  array<string, list<string>>  $identities  by the key of a list, which keys make two of its entries the same: if they differ
     * then, they contradict each other
     */
    public function __construct(private readonly Atlas $atlas, private readonly array $identities)
    {
    }

    /** @return list<Fault> */
    public function faults(mixed $case): array
    {
        $this->faults = [];
        $asOf = is_array($case) ? $case['as_of'] ?? null : null;
        $this->asOf = is_string($asOf) ? $asOf : null;
        $this->visit('', null, $case);

        return $this->faults;
    }

    private function visit(string $pointer, int|string|null $key, mixed $value): void
    {
        if (! is_array($value)) {
            // what is hoped for lies ahead
            if (preg_match('#^/goals/\d+/by$#', $pointer) !== 1) {
                $this->date($pointer, $value);
            }

            return;
        }
        if (is_string($key) && isset($this->identities[$key]) && array_is_list($value)) {
            $this->contradictions($pointer, $this->identities[$key], array_filter($value, is_array(...)));
        }
        $this->side($pointer, $key, $value);
        $this->movementValues($pointer, $value);
        $this->testValues($pointer, $value);
        $this->aftermath($pointer, $value);
        $this->week($pointer, $value);
        foreach ($value as $name => $inner) {
            $this->visit($pointer.'/'.str_replace(['~', '/'], ['~0', '~1'], (string) $name), is_int($name) ? $key : $name, $inner);
        }
    }

    private function date(string $pointer, mixed $value): void
    {
        $isDate = is_string($value) && preg_match('/^\d{4}-\d{2}-\d{2}$/', $value) === 1;
        if ($isDate && $this->asOf !== null && $value > $this->asOf) {
            $this->fault($pointer, "$value lies after as_of ({$this->asOf}); nothing can be known before it happened");
        }
    }

    /**
     * @param  list<string>  $identity
     * @param  array<int, array<array-key, mixed>>  $entries
     */
    private function contradictions(string $pointer, array $identity, array $entries): void
    {
        $seen = [];
        foreach ($entries as $index => $entry) {
            $name = json_encode(array_map(static fn (string $part): mixed => $entry[$part] ?? null, $identity));
            ksort($entry);
            $said = json_encode($entry);
            if (isset($seen[$name]) && $seen[$name][1] !== $said) {
                $this->fault(
                    "$pointer/$index",
                    "contradicts $pointer/{$seen[$name][0]}: the same ".implode(', ', $identity).' said differently; keep one',
                );
            }
            $seen[$name] ??= [$index, $said];
        }
    }

    /** @param  array<array-key, mixed>  $entry */
    private function side(string $pointer, int|string|null $key, array $entry): void
    {
        $side = $entry['side'] ?? null;
        if (! is_string($side)) {
            return;
        }
        $zone = $this->atlas->zones[is_string($entry['zone'] ?? null) ? $entry['zone'] : ''] ?? null;
        if ($zone !== null && $zone->midline !== ($side === 'midline')) {
            $this->fault("$pointer/side", $zone->midline
                ? "\"$side\" for {$zone->id}, which lies on the midline: allowed is midline"
                : "\"midline\" for {$zone->id}, which has two sides: allowed are left, right; for a central pain give the zone on both sides");
        }
        $movement = $this->atlas->movements[is_string($entry['movement'] ?? null) ? $entry['movement'] : ''] ?? null;
        if ($movement !== null && $movement->paired === ($side === 'midline')) {
            $this->fault("$pointer/side", "\"$side\" for {$movement->id}: allowed ".($movement->paired ? 'are left, right' : 'is midline'));
        }
        $muscle = $this->atlas->muscles[is_string($entry['muscle'] ?? null) ? $entry['muscle'] : ''] ?? null;
        if ($muscle !== null && $side === 'midline') {
            $this->fault("$pointer/side", "\"midline\" for {$muscle->id}, which has two sides: allowed are left, right");
        }
        $sign = $this->atlas->postureSigns[is_string($entry['sign'] ?? null) ? $entry['sign'] : ''] ?? null;
        if ($sign !== null && $sign->paired === ($side === 'midline')) {
            $this->fault("$pointer/side", "\"$side\" for {$sign->id}: allowed ".($sign->paired ? 'are left, right' : 'is midline'));
        }
        $test = $this->atlas->tests[is_string($entry['test'] ?? null) ? $entry['test'] : ''] ?? null;
        if ($test !== null && $test->paired && $side === 'midline') {
            $this->fault("$pointer/side", "\"midline\" for {$test->id}: allowed are left, right");
        }
    }

    /** @param  array<array-key, mixed>  $entry */
    private function movementValues(string $pointer, array $entry): void
    {
        $movement = $this->atlas->movements[is_string($entry['movement'] ?? null) ? $entry['movement'] : ''] ?? null;
        if ($movement === null) {
            return;
        }
        $repeats = is_array($entry['repeats'] ?? null) ? $entry['repeats'] : [];
        foreach (
            [
                'active' => $entry['active'] ?? null, 'passive' => $entry['passive'] ?? null,
                ...array_combine(array_map(static fn (int|string $i): string => "repeats/$i", array_keys($repeats)), $repeats),
            ] as $name
                => $value
        ) {
            if ((is_int($value) || is_float($value)) && ($value < $movement->min || $value > $movement->max)) {
                $this->fault(
                    "$pointer/$name",
                    "$value {$movement->unit} is more than a body can do in {$movement->id}: allowed are {$movement->min} to {$movement->max}",
                );
            }
        }
    }

    /** @param  array<array-key, mixed>  $entry */
    private function testValues(string $pointer, array $entry): void
    {
        $test = $this->atlas->tests[is_string($entry['test'] ?? null) ? $entry['test'] : ''] ?? null;
        $value = $entry['value'] ?? null;
        if ($test === null) {
            return;
        }
        if ((is_int($value) || is_float($value)) && ($test->max === null || $value < 0 || $value > $test->max)) {
            $this->fault("$pointer/value", $test->max === null
                ? "{$test->id} has a result, not a value: allowed are negative, positive, relieves, not_done in \"result\""
                : "$value {$test->result} for {$test->id}: allowed are 0 to {$test->max}");
        }
    }

    /** @param  array<array-key, mixed>  $entry */
    private function aftermath(string $pointer, array $entry): void
    {
        $hours = $entry['hours'] ?? null;
        $sore = $entry['soreness_hours'] ?? null;
        if (is_int($hours) && (is_int($sore) || is_float($sore)) && $sore > $hours) {
            $this->fault("$pointer/soreness_hours", "$sore hours sore, asked after $hours: allowed are at most the hours that have passed");
        }
    }

    /** @param  array<array-key, mixed>  $entry */
    private function week(string $pointer, array $entry): void
    {
        $best = $entry['best_week'] ?? null;
        $worst = $entry['worst_week'] ?? null;
        if (is_numeric($best) && is_numeric($worst) && $best > $worst) {
            $this->fault("$pointer/best_week", "best of the week $best is stronger than its worst $worst");
        }
    }

    private function fault(string $pointer, string $message): void
    {
        $this->faults[] = new Fault($pointer, $message);
    }
}
