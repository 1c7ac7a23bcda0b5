<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Joint;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\JointName;
use Somatrace\Core\Anatomy\JointStart;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\RangeFinding;

/** Which joints were found stiff today, by test, glide, or a movement cut short with an end that can be eased. */
final readonly class StiffJoints
{
    public function __construct(private Atlas $atlas, private PlanFigures $figures, private CaseFile $case)
    {
    }

    /** @return array<string, JointAt> by key */
    public function all(): array
    {
        $found = [];
        foreach ($this->atlas->handwork()->joints as $joint) {
            foreach ($joint->starts as $start) {
                foreach ($this->from($joint, $start) as $at) {
                    $found[$at->key()] = $at;
                }
            }
        }
        ksort($found);

        return $found;
    }

    /** The joint a case names by hand; null where it is none of these, or has no such level. */
    public function named(JointName $name, Side $side): ?JointAt
    {
        $joint = $this->atlas->handwork()->joints[$name->kind] ?? null;
        $levelled = $joint !== null && $joint->levels !== [];

        return $joint === null || ($levelled && ! in_array($name->level, $joint->levels, true))
            ? null
            : new JointAt($joint, $levelled ? $name->level : null, $side);
    }

    /**
     * A hard, empty or blocked end is a question and no target.
     *
     * @return string|null why it must not be moved though it is stiff
     */
    public function blocked(JointAt $at): ?string
    {
        foreach ($this->case->findings->tests as $test) {
            $same = $at->level !== null && $test->segment === $at->level && $test->side === $at->side;
            if ($same && in_array($test->endFeel, $this->figures->blockedEnds, true)) {
                return "A {$test->endFeel} end: that is a question, not a target.";
            }
        }
        $own = array_column(
            array_filter($at->joint->again, static fn (array $one): bool => $one['kind'] === 'movement'), 'kind', 'id',
        );
        foreach ($this->case->findings->range as $range) {
            if (
                isset($own[$range->movement]) && $range->side === $at->side && in_array($range->endFeel, $this->figures->blockedEnds, true)
            ) {
                return "A {$range->endFeel} end: that is a question, not a target.";
            }
        }

        return null;
    }

    /** @return list<JointAt> */
    private function from(Joint $joint, JointStart $start): array
    {
        $found = [];
        if ($start->test !== null) {
            foreach ($this->case->findings->tests as $test) {
                $level = $joint->levels === [] ? null : $test->segment ?? $start->levels[0] ?? null;
                $there = $joint->levels === []
                    || (in_array($level, $joint->levels, true) && ($start->levels === [] || in_array($level, $start->levels, true)));
                if ($test->test === $start->test && $there && $test->value !== null && $this->counts($start, $test->value)) {
                    array_push($found, ...$this->on($joint, $level, $test->side));
                }
            }
        }
        foreach ($this->case->findings->range as $range) {
            $value = $start->movement === $range->movement ? $range->value() : null;
            $stiff = $value !== null && $this->counts($start, $value);
            $short = $start->short === $range->movement && in_array($range->endFeel, $start->endFeels, true) && $this->isShort($range);
            if ($stiff || $short) {
                array_push($found, ...$this->on($joint, null, $range->side));
            }
        }
        foreach ($start->pattern === [] ? [] : Side::pair() as $side) {
            if ($this->hasPattern($start->pattern, $side)) {
                $found[] = new JointAt($joint, null, $side);
            }
        }

        return $found;
    }

    private function counts(JointStart $start, float $value): bool
    {
        return ($start->most === null || $value <= $start->most) && ($start->least === null || $value >= $start->least);
    }

    /** @return list<JointAt> what lies in the middle is both */
    private function on(Joint $joint, ?string $level, Side $side): array
    {
        return array_map(
            static fn (Side $one): JointAt => new JointAt($joint, $level, $one), $side === Side::Midline ? Side::pair() : [$side],
        );
    }

    private function isShort(RangeFinding $range): bool
    {
        $movement = $this->atlas->movement($range->movement);
        $value = $range->value();

        return $value !== null && $movement->shortfall($value, $movement->norm) >= $this->figures->rangeShortShare * abs($movement->norm);
    }

    /** @param  list<string>  $movements  each short, the first the most, as a share of the usual */
    private function hasPattern(array $movements, Side $side): bool
    {
        $last = INF;
        foreach ($movements as $id) {
            $share = null;
            foreach ($this->case->findings->range as $range) {
                if ($range->movement === $id && $range->side === $side && $this->isShort($range)) {
                    $movement = $this->atlas->movement($id);
                    $share = $movement->shortfall($range->value() ?? $movement->norm, $movement->norm) / abs($movement->norm);
                }
            }
            if ($share === null || $share > $last) {
                return false;
            }
            $last = $share;
        }

        return true;
    }
}
