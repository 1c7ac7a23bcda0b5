<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/**
 * What follows at the table from what the client says or shows: judged here and handed to the room as tables before the work begins, so
 * that it answers at once and without a network, and no rule is written in a page. All figures are practice defaults.
 *
 * @phpstan-type Shown array{hands: 'off'|'ease'|'stay', decides: bool, now: string, late: string|null, leads_on: bool}
 */
final readonly class Tableside
{
    /** Felt pressure is told in halves. */
    private const PER_UNIT = 2;

    private const MOST_FELT = 10;

    private const FOLLOWS = ['stay', 'ease', 'brace', 'off'];

    /**
     * @param  array<string, Shown>  $signs
     * @param  array<string, string>  $says  to the client, by the kind of a step; the number is taught while they settle
     */
    private function __construct(private Fields $figures, public array $signs, public int $unchangedSeconds, public array $says)
    {
    }

    public static function load(string $folder): self
    {
        $figures = JsonFile::read("$folder/tableside.json");
        $signs = [];
        foreach (JsonFile::read("$folder/signs.json")->list('stop') as $row) {
            $signs[$row->string('id')] = [
                'hands' => $row->string('hands') === 'off' ? 'off' : 'ease', 'decides' => $row->bool('decides'),
                'now' => $row->string('do_now'), 'late' => null, 'leads_on' => false,
            ];
        }
        foreach (JsonFile::read("$folder/signs.json")->list('answer') as $row) {
            $signs[$row->string('id')] = [
                'hands' => $row->string('hands') === 'ease' ? 'ease' : 'stay', 'decides' => false, 'now' => $row->string('now'),
                'late' => $row->stringOrNull('late'), 'leads_on' => $row->bool('leads_on'),
            ];
        }

        return new self($figures, $signs, $figures->int('unchanged_seconds'), $figures->stringMap('says'));
    }

    /** To what one eases off: a step down, and never to more than is calm. */
    public function eased(float $pressure): float
    {
        $ease = $this->figures->fields('ease');

        return max($ease->float('least'), min($ease->float('most'), ceil($pressure) - $ease->float('step')));
    }

    /** How deep it may go next; null at the ceiling. */
    public function raised(float $pressure, float $ceiling): ?float
    {
        $to = min($ceiling, $pressure + $this->figures->fields('raise')->float('step'));

        return $to > $pressure ? $to : null;
    }

    /**
     * Over the ceiling it is eased by as much as it is over, rounded down; where they brace, further.
     *
     * @return array{'stay'|'ease'|'brace'|'off', float} what follows, and to what it is pressed from now on
     */
    public function number(float $number, float $pressure, float $ceiling): array
    {
        $figures = $this->figures->fields('number');
        $ease = $this->figures->fields('ease');
        $braces = $number >= $figures->float('brace_from');
        if ($number >= $figures->float('off_from')) {
            return ['off', 0.0];
        }
        if ($number <= $ceiling && ! $braces) {
            return ['stay', $pressure];
        }
        $down = max($number - $ceiling, $braces ? $figures->float('brace_step') : $ease->float('step'));
        $to = max(min($ease->float('least'), $pressure), floor(self::PER_UNIT * ($pressure - $down)) / self::PER_UNIT);

        return [$braces ? 'brace' : 'ease', $to];
    }

    /** @return array<string, string> what is said of each: may hold {to}, {number} and {ceiling} */
    public function words(): array
    {
        $figures = $this->figures->fields('number');

        return array_combine(self::FOLLOWS, array_map($figures->string(...), self::FOLLOWS));
    }

    /**
     * @param  array<array-key, mixed>  $plan  as it was agreed
     * @return array{signs: array<string, Shown>, unchanged_seconds: int, says: array<string, string>, words: array<string, string>,
     *     hands_on: list<string>, after: list<string>, eased: list<float>,
     *     ceilings: array<array-key, array{raised: list<float|null>, numbers: list<list<array{string, float}>>}>}
     * `eased` and `raised` by pressure in halves, from 0; `numbers` by the number said, 0-10, then by pressure; by each ceiling of the plan
     */
    public function of(array $plan): array
    {
        $ceilings = [];
        foreach (array_filter((array) ($plan['steps'] ?? []), is_array(...)) as $step) {
            $of = is_array($step['ceiling'] ?? null) ? $step['ceiling'] : [];
            $told = [$of['felt'] ?? null, ...array_column((array) ($step['manoeuvres'] ?? []), 'ceiling')];
            foreach (array_filter($told, static fn (mixed $one): bool => is_int($one) || is_float($one)) as $ceiling) {
                $ceilings[(string) $ceiling] ??= $this->under((float) $ceiling);
            }
        }
        $eased = [];
        for ($half = 0; $half <= self::PER_UNIT * self::MOST_FELT; $half++) {
            $eased[] = $this->eased($half / self::PER_UNIT);
        }

        return [
            'signs' => $this->signs, 'unchanged_seconds' => $this->unchangedSeconds, 'says' => $this->says, 'words' => $this->words(),
            'hands_on' => $this->figures->strings('hands_on'),
            'after' => $this->after($plan), 'eased' => $eased, 'ceilings' => $ceilings,
        ];
    }

    /**
     * What to expect and when to ring, by where the hands are to press.
     *
     * @param  array<array-key, mixed>  $plan
     * @return list<string>
     */
    public function after(array $plan): array
    {
        $steps = array_filter((array) ($plan['steps'] ?? []), is_array(...));
        $pressed = array_filter($steps, static fn (array $step): bool => ($step['passes'] ?? []) !== []);
        $zones = [];
        foreach ($pressed as $step) {
            array_push($zones, ...array_filter((array) ($step['zones'] ?? []), is_string(...)));
        }
        $lines = [];
        foreach ($pressed === [] ? [] : $this->figures->list('after') as $one) {
            $of = $one->strings('zones');
            if ($of === [] || array_intersect($of, $zones) !== []) {
                $lines[] = $one->string('text');
            }
        }

        return $lines;
    }

    /** @return array{raised: list<float|null>, numbers: list<list<array{string, float}>>} */
    private function under(float $ceiling): array
    {
        $raised = [];
        for ($half = 0; $half <= self::PER_UNIT * $ceiling; $half++) {
            $raised[] = $this->raised($half / self::PER_UNIT, $ceiling);
        }
        $numbers = [];
        for ($number = 0; $number <= self::MOST_FELT; $number++) {
            $row = [];
            for ($half = 0; $half <= self::PER_UNIT * $ceiling; $half++) {
                $row[] = $this->number($number, $half / self::PER_UNIT, $ceiling);
            }
            $numbers[] = $row;
        }

        return ['raised' => $raised, 'numbers' => $numbers];
    }
}
