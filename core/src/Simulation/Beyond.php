<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\JointStart;
use Somatrace\Core\Anatomy\Movement;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\SpeaksOf;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Pattern\WholePattern;
use Somatrace\Core\Pattern\WholeSign;

/**
 * What a simulated client has beside muscles: joints that are stiff or hurt, a cause that is neither, a body that works on one side. Fixed
 * before the ranking of joints was tuned, and not changed to please (docs/ranking-trial.md); all figures are practice defaults.
 */
final readonly class Beyond
{
    /** How often a sign of the whole pattern is there when the pattern is. */
    private const SIGN_SHOWS = 0.75;

    /** What a test tells falls short of what is printed of it by so much. */
    private const TEST_SHARE = 0.9;

    /** Measures without a usual value, in their unit. */
    private const ABOUT = ['cm' => 14.0, 'mm' => 0.0, 'kg' => 30.0, 'deg' => 5.0, 's' => 30.0, 'times' => 25.0];

    /**
     * @param  list<HiddenJoint>  $joints
     * @param  list<string>  $ill  muscles that are at fault, by muscle and side
     */
    public function __construct(
        private Atlas $atlas,
        private WholePattern $whole,
        private int $seed,
        public array $joints,
        public ?Outside $outside,
        public ?Side $busy,
        private array $ill,
    ) {
    }

    /** @return list<WholeSign> what tells the two sides apart */
    public function signs(): array
    {
        return $this->whole->signs;
    }

    /** @return array{float, float, string|null} measuring errors lost, pain of 10, how it ends */
    public function inMovement(Movement $movement, Side $side, Chance $chance): array
    {
        [$lost, $pain, $end] = [0.0, 0.0, null];
        foreach ($this->joints as $joint) {
            $share = $this->movedBy($joint, $movement->id, $side);
            if ($share > 0) {
                $lost += $share * $joint->stiffness;
                $end = $chance->happens(0.7) ? 'firm' : $end;
                $pain = max($pain, $joint->strength > 0 && $chance->happens(0.6 * $joint->irritability) ? $chance->int(2, 6) : 0);
            }
        }
        if ($this->outside?->showsIn($movement->id, $side) === true) {
            $hard = $this->outside->kind === 'joint_end';
            $lost += $hard ? 5.0 : 1.0;
            $pain = max($pain, $chance->happens($hard ? 0.85 : 0.5) ? $chance->int(3, 7) : 0);
            $end = $hard && $chance->happens(0.85) ? $chance->pick(['hard', 'hard', 'hard', 'empty', 'springy']) : $end;
        }
        foreach ($this->whole->signs as $sign) {
            if ($sign->lesser === $movement->id && $this->lies($sign, $side)) {
                $lost += 1.6 * $sign->by / $movement->measurementError;
            }
        }

        return [$lost, $pain, $end];
    }

    public function weakens(string $movement, Side $side, Chance $chance): bool
    {
        return $this->outside?->weakens($movement, $side) === true && $chance->happens(0.5);
    }

    public function posture(string $sign, Side $side, Chance $chance): int
    {
        foreach ($this->whole->signs as $one) {
            if ($one->posture === $sign && $this->lies($one, $side)) {
                return $chance->happens(0.4) ? 2 : 1;
            }
        }

        return 0;
    }

    public function test(string $id, Side $side, ?string $level, Chance $chance): TestFinding
    {
        $test = $this->atlas->test($id);
        if ($test->result === 'glide') {
            [$value, $pain] = $this->sprung($id, $side, $level, $chance);

            return new TestFinding($id, $side, $level, value: (float) $value, pain: (float) $pain);
        }
        if ($test->result !== 'result') {
            $few = array_filter($test->speaksOf, fn (SpeaksOf $one): bool => $this->says($one, $side, $chance));
            $value = $few === []
                ? $this->value($id, $side, $chance)
                : $few[array_key_first($few)]->atMost * $chance->between(0.5, 1);

            return new TestFinding($id, $side, value: round(max(0.0, min($test->max ?? INF, $value)), 1));
        }
        $answers = array_filter($test->speaksOf, fn (SpeaksOf $one): bool => $this->says($one, $side, $chance));
        $first = $answers[array_key_first($answers) ?? -1] ?? null;
        $into = $first?->into === null || $this->outside === null ? [] : array_map(
            fn (string $zone) => $this->atlas->placeOn($zone, $this->outside->side), array_slice($this->outside->zones, -1),
        );

        return new TestFinding($id, $side, $level, $first->answer ?? 'negative', refersTo: $into);
    }

    public function wakes(Chance $chance): bool
    {
        return $chance->happens(match ($this->outside?->kind) {
            'organ' => 0.5,
            'joint_end' => 0.4,
            'root' => 0.35,
            default => 0.12,
        });
    }

    /** Whether the test says so: mostly where it is so, now and then where it is not. */
    private function says(SpeaksOf $one, Side $side, Chance $chance): bool
    {
        $there = match (true) {
            $one->none !== null => $this->outside?->kind === 'root' && in_array($side, [$this->outside->side, Side::Midline], true)
                && $this->isOfThatRoot($one),
            $one->joint !== null => $this->hurts($one, $side),
            default => array_filter($one->muscles, function (string $muscle) use ($side): bool {
                return in_array("$muscle:{$side->value}", $this->ill, true)
                    || ($side === Side::Midline && array_intersect(["$muscle:left", "$muscle:right"], $this->ill) !== []);
            }) !== [],
        };

        return $chance->happens($there ? self::TEST_SHARE * $one->sensitivity : 1 - self::TEST_SHARE * $one->specificity - 0.05);
    }

    /** A test of the arm says nothing of a leg. */
    private function isOfThatRoot(SpeaksOf $one): bool
    {
        $leg = in_array('trunk.flexion', $this->outside->moves ?? [], true);

        return $one->none === ($leg ? 'back_root' : 'neck_root') || $one->none === 'any_nerve';
    }

    private function hurts(SpeaksOf $one, Side $side): bool
    {
        foreach ($this->joints as $joint) {
            if (
                $joint->strength > 0 && $joint->at->joint->id === $one->joint
                    && ($one->levels === [] || in_array($joint->at->level, $one->levels, true))
                    && in_array($side, [$joint->at->side, Side::Midline], true)
            ) {
                return true;
            }
        }

        return $this->outside?->kind === 'joint_end' && $one->joint === 'hip' && in_array('hip.flexion', $this->outside->moves, true)
            && $side === $this->outside->side;
    }

    /** @return array{int, int} 0 stuck to 3 free, and pain of 10 */
    private function sprung(string $test, Side $side, ?string $level, Chance $chance): array
    {
        foreach ($this->joints as $joint) {
            $same = in_array($side, [$joint->at->side, Side::Midline], true) || $joint->at->side === Side::Midline;
            if ($same && ($level === null || $joint->at->level === $level) && $this->startsWith($joint, $test, $level)) {
                $value = (int) round(3 - 3 * $joint->stiffness) + ($chance->happens(0.25) ? ($chance->oneIn(2) ? 1 : -1) : 0);
                $pain = $joint->strength > 0 && $chance->happens(0.75 * $joint->irritability) ? $chance->int(2, 6) : 0;

                return [max(0, min(3, $value)), $pain];
            }
        }

        return [$chance->happens(0.75) ? 3 : ($chance->happens(0.8) ? 2 : 1), $chance->happens(0.06) ? 2 : 0];
    }

    private function startsWith(HiddenJoint $joint, string $test, ?string $level): bool
    {
        return array_filter($joint->at->joint->starts, static fn (JointStart $start): bool => $start->test === $test
            && ($level !== null || $start->levels === [] || in_array($joint->at->level, $start->levels, true))) !== [];
    }

    /** How many errors a wholly stiff joint takes from that movement. */
    private function movedBy(HiddenJoint $joint, string $movement, Side $side): float
    {
        if (! in_array($side, [$joint->at->side, Side::Midline], true) && $joint->at->side !== Side::Midline) {
            return 0.0;
        }
        foreach ($joint->at->joint->starts as $start) {
            if ($start->movement === $movement) {
                return 2.5; // a glide, in grades
            }
            if ($start->short === $movement || in_array($movement, $start->pattern, true)) {
                return 3.5;
            }
        }

        return in_array($movement, array_column($joint->at->joint->again, 'id'), true) ? 2.0 : 0.0;
    }

    private function value(string $id, Side $side, Chance $chance): float
    {
        $test = $this->atlas->test($id);
        $error = $test->measurementError ?? 1.0;
        $value = ($test->norm ?? self::ABOUT[$test->result] ?? 0.0) + $chance->normal(0.4 * $error);
        foreach ($this->joints as $joint) {
            foreach ($joint->at->joint->starts as $start) {
                if ($start->test === $id && $start->least !== null && $side === $joint->at->side) {
                    $value = $start->least * (0.7 + $joint->stiffness);
                }
            }
        }
        foreach ($this->whole->signs as $sign) {
            if ($sign->test === $id && $this->lies($sign, $side)) {
                $value += 1.6 * $sign->by;
            }
            if ($sign->lesserTest === $id && $this->lies($sign, $side)) {
                $value -= 1.6 * $sign->by;
            }
        }

        return $value;
    }

    /** Whether this sign is there: it lies on the busy side, or across from it. */
    private function lies(WholeSign $sign, Side $side): bool
    {
        return $this->busy !== null && $sign->across($this->busy) === $side
            && (new Chance(crc32("{$this->seed}|whole:{$sign->about}")))->happens(self::SIGN_SHOWS);
    }
}
