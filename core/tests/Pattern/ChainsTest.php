<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class ChainsTest extends TestCase
{
    public function test_a_short_front_and_an_aching_back_are_one_chain(): void
    {
        $case = CaseBuilder::aCase()->complaint('interscapular', 'right', 6)
            ->add('findings', 'posture', ['sign' => 'shoulder_rolled_forward', 'side' => 'right', 'grade' => 2])
            ->add('findings', 'tests', ['test' => 'resting_arm_height', 'side' => 'right', 'value' => 9])->add('findings', 'tests', ['test' => 'resting_arm_height', 'side' => 'left', 'value' => 5]);
        $pull = $this->first($case, 'short_pulls');

        self::assertSame('pectoralis_minor:right', $pull->muscles[0]->key());
        self::assertContains('rhomboids:right', array_map(static fn (MuscleAt $at): string => $at->key(), $pull->muscles));
        self::assertSame(['interscapular:right'], array_map(static fn ($place): string => $place->key(), $pull->to));
        self::assertContains('Resting arm height right says it is short', $pull->because);
    }

    public function test_without_a_short_muscle_or_an_ache_there_is_no_pull(): void
    {
        $short = static fn (): CaseBuilder => CaseBuilder::aCase()->add('findings', 'posture', ['sign' => 'shoulder_rolled_forward', 'side' => 'right', 'grade' => 2]);

        self::assertNotSame([], $this->of($short()->complaint('interscapular', 'right', 6), 'short_pulls'));
        self::assertSame([], $this->of($short(), 'short_pulls'));
        self::assertSame([], $this->of($short()->complaint('interscapular', 'left', 6), 'short_pulls'), 'the other side is another matter');
        self::assertSame([], $this->of($short()->complaint('interscapular', 'right', 0), 'short_pulls'), 'nothing aches any more');
        self::assertSame([], $this->of(CaseBuilder::aCase()->complaint('interscapular', 'right', 6), 'short_pulls'));
    }

    public function test_what_is_itself_the_source_is_not_called_pulled_on(): void
    {
        $strap = 'sternocleidomastoid_sternal:left';
        // the deep extensors are short, and the strap muscle in front of them hurts but is free
        $case = CaseBuilder::aCase()->complaint('neck_side', 'left', 6)->add('findings', 'posture', ['sign' => 'chin_up', 'side' => 'midline', 'grade' => 3])
            ->range('cervical.rotation', 'left', ['active' => 75, 'pain' => 0])->range('cervical.side_bend', 'right', ['active' => 42, 'pain' => 0])->range('cervical.extension', 'midline', ['active' => 60, 'pain' => 0]);
        $pulled = fn (CaseBuilder $of): array => array_merge(...array_map(static fn (Chain $chain): array => array_map(static fn (MuscleAt $at): string => $at->key(), $chain->muscles), $this->of($of, 'short_pulls')));
        self::assertContains($strap, $pulled($case));
        $case->felt('sternocleidomastoid_sternal', 'left', ['tenderness' => 4, 'texture' => ['taut_band'], 'familiar' => 'yes']);

        self::assertNotContains($strap, $pulled($case));
    }

    public function test_a_stiff_upper_back_beside_a_sore_neck(): void
    {
        $stiff = static fn (float $turn): CaseBuilder => CaseBuilder::aCase()->complaint('neck_back', 'left', 5)->range('thoracic.rotation', 'left', ['active' => $turn])->range('thoracic.rotation', 'right', ['active' => $turn]);

        self::assertSame('Upper and middle back: stiff, so that the neck may be doing its work.', $this->first($stiff(20), 'stiff')->title);
        self::assertSame([], $this->of($stiff(33), 'stiff'), 'within measuring error of the usual');
        $spring = CaseBuilder::aCase()->complaint('neck_back', 'left', 5)->add('findings', 'tests', ['test' => 'segment_spring', 'side' => 'midline', 'segment' => 'T4', 'value' => 0]);
        self::assertSame(['Segment spring T4 is short of the usual'], $this->first($spring, 'stiff')->because);
    }

    public function test_the_busy_side_needs_two_muscles_on_the_side_of_the_hand_and_more_than_across(): void
    {
        $felt = static fn (string $hand, string ...$muscles): CaseBuilder => array_reduce(
            $muscles,
            static fn (CaseBuilder $case, string $muscle): CaseBuilder => $case->felt($muscle, 'right', ['tenderness' => 3, 'tone' => 'high'])->felt($muscle, 'left', ['tenderness' => 0]),
            CaseBuilder::aCase()->with(['client' => ['hand' => $hand]]),
        );
        $busy = $this->first($felt('right', 'extensor_carpi_radialis', 'masseter', 'trapezius_upper'), 'busy_side');

        self::assertSame(['masseter:right', 'trapezius_upper:right', 'extensor_carpi_radialis:right'], array_map(static fn (MuscleAt $at): string => $at->key(), $busy->muscles), 'from the jaw down');
        self::assertSame([], $this->of($felt('right', 'masseter'), 'busy_side'));
        self::assertSame([], $this->of($felt('left', 'masseter', 'trapezius_upper'), 'busy_side'));
    }

    private function first(CaseBuilder $case, string $kind): Chain
    {
        return $this->of($case, $kind)[0] ?? throw new \LogicException("no chain of the kind $kind");
    }

    /** @return list<Chain> */
    private function of(CaseBuilder $case, string $kind): array
    {
        return array_values(array_filter(Core::clinic()->chains($case->make()), static fn (Chain $chain): bool => $chain->kind === $kind));
    }
}
