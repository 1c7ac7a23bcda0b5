<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/**
 * One side works and shortens in front, the other gives way behind: read from what was measured and seen on both sides, where enough signs
 * agree. What is in front of the busy side then comes first, and the other side's back is calmed.
 */
final readonly class WholePattern
{
    /**
     * @param  list<Fields>  $signs
     * @param  list<string>  $front
     * @param  list<string>  $behind
     * @param  list<string>  $afterFront  regions
     */
    private function __construct(
        private int $least, private array $signs, private array $front, private array $behind, private array $afterFront,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/whole_pattern.json");

        return new self(
            $file->int('least'), $file->list('signs'), $file->strings('front'), $file->strings('behind'), $file->strings('after_front'),
        );
    }

    /** @return Side|null the busy side, where so many more signs speak for it than for the other */
    public function busySide(CaseFile $case): ?Side
    {
        $for = ['left' => 0, 'midline' => 0, 'right' => 0];
        foreach ($this->signs as $sign) {
            $side = $this->sideOf($sign, $case);
            if ($side !== null) {
                $for[($sign->string('side') === 'same' ? $side : $side->mirrored())->value]++;
            }
        }

        return match (true) {
            $this->least <= $for['left'] - $for['right'] => Side::Left,
            $this->least <= $for['right'] - $for['left'] => Side::Right,
            default => null,
        };
    }

    public function isFront(MuscleAt $at, Side $busy): bool
    {
        return $at->side === $busy && in_array($at->muscle, $this->front, true);
    }

    public function isBehind(MuscleAt $at, Side $busy): bool
    {
        return $at->side === $busy->mirrored() && in_array($at->muscle, $this->behind, true);
    }

    public function isAfterFront(string $region): bool
    {
        return in_array($region, $this->afterFront, true);
    }

    private function sideOf(Fields $sign, CaseFile $case): ?Side
    {
        $by = $sign->floatOrNull('by') ?? 0.0;
        $values = [];
        $lesser = $sign->stringOrNull('lesser');
        foreach ($lesser === null ? [] : $case->findings->range as $range) {
            if ($range->movement === $lesser) {
                $values[$range->side->value] = $range->value();
            }
        }
        $tested = $sign->stringOrNull('lesser_test') ?? $sign->stringOrNull('test');
        foreach ($tested === null ? [] : $case->findings->tests as $test) {
            if ($test->test === $tested) {
                $values[$test->side->value] = $test->value;
            }
        }

        return match (true) {
            $sign->has('posture') => $this->seen($sign->string('posture'), $case),
            $sign->has('demands') => $this->asked($case),
            $sign->has('test') => $this->lesser(
                array_map(static fn (?float $one): float => -($one ?? 0.0), [...['left' => 0, 'right' => 0], ...$values]), $by,
            ),
            default => $this->lesser($values, $by),
        };
    }

    /** @param  array<string, float|int|null>  $values  by side */
    private function lesser(array $values, float $by): ?Side
    {
        $left = $values['left'] ?? null;
        $right = $values['right'] ?? null;

        return match (true) {
            $left === null || $right === null || abs($left - $right) < $by => null,
            default => $left < $right ? Side::Left : Side::Right,
        };
    }

    private function seen(string $sign, CaseFile $case): ?Side
    {
        $grade = ['left' => 0, 'right' => 0];
        foreach ($case->findings->posture as $finding) {
            if ($finding->sign === $sign && isset($grade[$finding->side->value])) {
                $grade[$finding->side->value] = $finding->grade;
            }
        }

        return $grade['left'] === $grade['right'] ? null : ($grade['left'] > $grade['right'] ? Side::Left : Side::Right);
    }

    private function asked(CaseFile $case): ?Side
    {
        $hours = ['left' => 0.0, 'right' => 0.0];
        foreach ($case->demands as $demand) {
            if ($demand->side !== null && isset($hours[$demand->side->value])) {
                $hours[$demand->side->value] += $demand->hoursPerWeek ?? 1.0;
            }
        }

        return $hours['left'] === $hours['right'] ? null : ($hours['left'] > $hours['right'] ? Side::Left : Side::Right);
    }
}
