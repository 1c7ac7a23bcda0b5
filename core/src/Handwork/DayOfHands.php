<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/**
 * What a day asks of somebody's hands: what was done and agreed, and what those who are still to come are likely to ask, as their last
 * plans did.
 */
final readonly class DayOfHands
{
    /**
     * @param  array<string, array{name: string, day: float}>  $budgets  by part of the hand, firm minutes a day
     * @param  array<string, float>  $done  by part
     * @param  list<array{who: string, load: array<string, float>}>  $ahead  in the order they come, by part
     */
    public function __construct(private array $budgets, private array $done, private array $ahead)
    {
    }

    /** @return list<array{part: string, name: string, done: float, expected: float, of: float}> parts that are asked of, or would be */
    public function parts(): array
    {
        $rows = [];
        foreach ($this->budgets as $part => ['name' => $name, 'day' => $day]) {
            $row = [
                'part' => $part, 'name' => $name, 'done' => round($this->done[$part] ?? 0.0, 1),
                'expected' => round($this->expected($part), 1), 'of' => round($day, 1),
            ];
            if ($row['done'] > 0 || $row['expected'] > 0) {
                $rows[] = $row;
            }
        }

        return $rows;
    }

    /**
     * Where the day would ask more than a part has: with whom another tool saves most of it.
     *
     * @return list<array{part: string, over: float, who: string, saves: float, words: string}>
     */
    public function otherTools(): array
    {
        $swaps = [];
        foreach ($this->budgets as $part => ['name' => $name, 'day' => $day]) {
            $over = ($this->done[$part] ?? 0.0) + $this->expected($part) - $day;
            $most = $this->most($part);
            if ($over > 0.05 && $most !== null) {
                $saves = round($most['load'][$part] ?? 0.0, 1);
                $swaps[] = [
                    'part' => $part, 'over' => round($over, 1), 'who' => $most['who'], 'saves' => $saves,
                    'words' => ucfirst($name).' would be '.self::minutes($over)." over. With {$most['who']} another tool spares "
                        .self::minutes($saves).'.',
                ];
            }
        }

        return $swaps;
    }

    /**
     * Two who ask much of the same part one after the other, and somebody later who asks next to nothing of it: between them it rests.
     *
     * @return list<array{part: string, first: string, second: string, between: string, words: string}>
     */
    public function otherOrders(): array
    {
        $orders = [];
        foreach ($this->budgets as $part => ['name' => $name, 'day' => $day]) {
            // much is a fifth of a day's budget in one visit
            $much = $day / 5;
            foreach ($this->ahead as $number => $one) {
                $next = $this->ahead[$number + 1] ?? null;
                if ($next === null || ($one['load'][$part] ?? 0.0) < $much || ($next['load'][$part] ?? 0.0) < $much) {
                    continue;
                }
                foreach (array_slice($this->ahead, $number + 2) as $later) {
                    if (($later['load'][$part] ?? 0.0) < $much / 4) {
                        $orders[] = [
                            'part' => $part, 'first' => $one['who'], 'second' => $next['who'], 'between' => $later['who'],
                            'words' => "{$one['who']} and {$next['who']} both ask much of the $name, one after the other. "
                                ."{$later['who']} between them would let them rest.",
                        ];

                        continue 3;
                    }
                }
            }
        }

        return $orders;
    }

    private function expected(string $part): float
    {
        return array_sum(array_map(static fn (array $one): float => $one['load'][$part] ?? 0.0, $this->ahead));
    }

    /** @return array{who: string, load: array<string, float>}|null who asks most of it; nobody where nobody asks */
    private function most(string $part): ?array
    {
        $all = array_values(array_filter($this->ahead, static fn (array $one): bool => ($one['load'][$part] ?? 0.0) > 0));
        usort($all, static fn (array $a, array $b): int => $b['load'][$part] <=> $a['load'][$part]);

        return $all[0] ?? null;
    }

    private static function minutes(float $minutes): string
    {
        return round($minutes, 1).' min';
    }
}
