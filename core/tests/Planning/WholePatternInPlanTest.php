<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Planning\LeftOut;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;

/** A whole pattern in a plan: what shortens in front of the busy side is wanted before the complaint, felt or not. */
final class WholePatternInPlanTest extends TestCase
{
    private const HURTS = 'hurts interscapular left now 5; moves cervical.rotation right 60; moves cervical.rotation left 78; ';

    private const RIGHT = self::HURTS.'looks shoulder_rolled_forward right 2; looks arm_rests_high right 1; looks collarbone_short right 1';

    public function test_where_nobody_has_felt_anything_the_front_is_planned_and_comes_first(): void
    {
        $plan = $this->plan(self::RIGHT, true);

        self::assertNotSame([], $this->front($plan, 'right'), 'in front of the right side');
        self::assertLessThanOrEqual(3, count($this->front($plan, 'right')), 'the best supported, not all six');
        self::assertSame([], $this->front($plan, 'left'));
        $order = array_values(array_unique(array_filter(array_map(
            static fn (PlanStep $step): ?string => $step->kind === StepKind::Treat ? $step->at?->key() : null, $plan->steps,
        ))));
        self::assertContains($order[0], $this->front($plan, 'right'), implode(', ', $order));
    }

    public function test_in_the_mirror(): void
    {
        $mirror = strtr(self::RIGHT, ['right' => 'left', 'left' => 'right']);
        $swap = static fn (string $key): string => strtr($key, ['right' => 'left', 'left' => 'right']);

        self::assertSame(
            array_map($swap, $this->front($this->plan(self::RIGHT, true), 'right')), $this->front($this->plan($mirror, true), 'left'),
        );
    }

    public function test_what_is_not_agreed_is_asked_for_and_not_worked(): void
    {
        $plan = $this->plan(self::RIGHT, false);
        $asked = array_filter($plan->leftOut, static fn (LeftOut $one): bool => str_starts_with($one->key, 'pectoralis_')
            && str_contains($one->reason->words, 'Not agreed yet'));

        self::assertSame([], array_filter($this->front($plan, 'right'), static fn (string $key): bool => str_starts_with($key, 'pect')));
        self::assertNotSame([], $asked);
    }

    public function test_where_something_was_felt_the_front_is_felt_before_it_is_worked(): void
    {
        $plan = $this->plan(self::RIGHT.'; felt rhomboids left tender 3 own', true);

        self::assertSame([], $this->front($plan, 'right'));
        $felt = array_map(static fn (LeftOut $one): string => $one->key, $plan->leftOut);
        self::assertNotSame([], array_intersect($felt, $this->frontOf('right')), implode(', ', $felt));
    }

    public function test_what_was_felt_and_is_quiet_is_left(): void
    {
        $quiet = implode('', array_map(
            static fn (string $key): string => '; felt '.explode(':', $key)[0].' right tender 0', $this->frontOf('right'),
        ));

        self::assertSame([], $this->front($this->plan(self::RIGHT.$quiet, true), 'right'));
    }

    public function test_with_less_than_three_signs_nothing_is_wanted(): void
    {
        self::assertSame([], $this->front($this->plan(self::HURTS.'looks shoulder_rolled_forward right 2', true), 'right'));
    }

    private function plan(string $findings, bool $agreed): PlanResult
    {
        $case = SpokenFindings::make($findings);

        return Core::clinic()->plan(($agreed ? $case->agreed(...array_keys(Core::clinic()->atlas()->consentAreas)) : $case)->make());
    }

    /** @return list<string> targets in front of that side, by key */
    private function front(PlanResult $plan, string $side): array
    {
        $keys = array_map(static fn (array $one): string => ($one['muscle'] ?? '').":{$one['side']}", $plan->targets);

        return array_values(array_intersect($keys, $this->frontOf($side)));
    }

    /** @return list<string> */
    private function frontOf(string $side): array
    {
        return array_map(
            static fn (string $muscle): string => "$muscle:$side",
            [
                'deltoid_anterior', 'pectoralis_minor', 'pectoralis_major_clavicular', 'pectoralis_major_sternal', 'subclavius',
                'coracobrachialis',
            ],
        );
    }
}
