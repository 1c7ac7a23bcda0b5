<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Data\JsonFile;

/**
 * One side works and shortens in front, the other gives way behind: read from what was measured and seen on both sides, where enough signs
 * agree. What is in front of the busy side then comes first, and the other side's back is calmed.
 */
final readonly class WholePattern
{
    /**
     * @param  int  $least  signs more for one side than for the other
     * @param  float  $share  of what is known on both sides that must agree
     * @param  list<WholeSign>  $signs
     * @param  list<string>  $front
     * @param  int  $frontMost  so many of them are wanted in a plan though nobody felt them
     * @param  float  $frontWorth  what such a one is worth at least, as a share of support
     * @param  list<string>  $behind
     * @param  list<string>  $afterFront  regions
     */
    private function __construct(
        public int $least,
        private float $share,
        public array $signs,
        public array $front,
        private int $frontMost,
        public float $frontWorth,
        public array $behind,
        private array $afterFront,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/whole_pattern.json");

        return new self(
            $file->int('least'), $file->float('share'), $file->map('signs', WholeSign::from(...)), $file->strings('front'),
            $file->int('front_most'), $file->float('front_worth'), $file->strings('behind'), $file->strings('after_front'),
        );
    }

    public function read(CaseFile $case): WholeReading
    {
        $by = ['left' => [], 'right' => []];
        [$open, $known] = [[], []];
        foreach ($this->signs as $sign) {
            [$isKnown, $side] = $this->found($sign, $case);
            $known += $isKnown ? [$sign->about => true] : [];
            if ($side !== null && $side !== Side::Midline) {
                $by[$sign->across($side) === Side::Left ? 'left' : 'right'][$sign->about] ??= $sign; // measured and seen, it is one sign
            } elseif (! $isKnown) {
                $open[$sign->about] ??= $sign;
            }
        }
        $open = array_values(array_diff_key($open, $known));
        $by = array_map(array_values(...), $by);
        $more = count($by['right']) - count($by['left']);
        $leans = match (true) {
            $more > 0 => Side::Right,
            $more < 0 => Side::Left,
            default => null,
        };

        [$for, $against] = $leans === Side::Right ? [$by['right'], $by['left']] : [$by['left'], $by['right']];

        // what was looked at and is level speaks against it too
        $isEnough = abs($more) >= max($this->least, $this->share * count($known));

        return new WholeReading($leans, $isEnough, $for, $against, $open);
    }

    public function isFront(MuscleAt $at, Side $busy): bool
    {
        return $at->side === $busy && in_array($at->muscle, $this->front, true);
    }

    /**
     * What shortens in front of the busy side belongs in a plan before anybody felt it.
     *
     * @return array<string, true> by muscle and side, the best supported
     */
    public function wanted(PatternResult $pattern, ?Side $busy): array
    {
        $front = $busy === null ? [] : array_values(array_filter(
            $pattern->candidates, fn (Candidate $one): bool => $this->isFront($one->at, $busy),
        ));

        return array_fill_keys(
            array_map(static fn (Candidate $one): string => $one->at->key(), array_slice($front, 0, $this->frontMost)), true,
        );
    }

    public function isBehind(MuscleAt $at, Side $busy): bool
    {
        return $at->side === $busy->mirrored() && in_array($at->muscle, $this->behind, true);
    }

    public function isAfterFront(string $region): bool
    {
        return in_array($region, $this->afterFront, true);
    }

    /** @return array{bool, Side|null} whether both sides are known, and the one it was found on */
    private function found(WholeSign $sign, CaseFile $case): array
    {
        if ($sign->posture !== null) {
            return $this->seen($sign->posture, $case);
        }
        if ($sign->demands) {
            return [true, $this->asked($case)];
        }
        $values = [];
        foreach ($sign->lesser === null ? [] : $case->findings->range as $range) {
            if ($range->movement === $sign->lesser) {
                $values[$range->side->value] = $range->value();
            }
        }
        $tested = $sign->lesserTest ?? $sign->test;
        foreach ($tested === null ? [] : $case->findings->tests as $test) {
            if ($test->test === $tested) {
                $values[$test->side->value] = $test->value;
            }
        }
        if ($sign->test !== null) {
            // what is there on one side is not there on the other
            $values = array_map(
                static fn (?float $one): float => -($one ?? 0.0), $values === [] ? [] : [...['left' => 0.0, 'right' => 0.0], ...$values],
            );
        }
        $left = $values['left'] ?? null;
        $right = $values['right'] ?? null;

        return match (true) {
            $left === null || $right === null => [false, null],
            abs($left - $right) < $sign->by => [true, null],
            default => [true, $left < $right ? Side::Left : Side::Right],
        };
    }

    /** @return array{bool, Side|null} */
    private function seen(string $sign, CaseFile $case): array
    {
        $grade = ['left' => 0, 'right' => 0];
        $known = false;
        foreach ($case->findings->posture as $finding) {
            if ($finding->sign === $sign && isset($grade[$finding->side->value])) {
                $grade[$finding->side->value] = $finding->grade;
                $known = true;
            }
        }

        return [$known, $grade['left'] === $grade['right'] ? null : ($grade['left'] > $grade['right'] ? Side::Left : Side::Right)];
    }

    /** What the days ask of one side more than of the other; where they tell no side, the hand that is used. */
    private function asked(CaseFile $case): ?Side
    {
        $hours = ['left' => 0.0, 'right' => 0.0];
        foreach ($case->demands as $demand) {
            if ($demand->side !== null && isset($hours[$demand->side->value])) {
                $hours[$demand->side->value] += $demand->hoursPerWeek ?? 1.0;
            }
        }

        return match (true) {
            $hours['left'] > $hours['right'] => Side::Left,
            $hours['right'] > $hours['left'] => Side::Right,
            $hours['left'] > 0 || $case->demands === [] => null,
            default => Side::tryFrom($case->client->hand ?? ''),
        };
    }
}
