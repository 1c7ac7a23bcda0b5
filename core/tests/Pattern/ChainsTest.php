<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;

final class ChainsTest extends TestCase
{
    public function test_a_short_front_and_an_aching_back_are_one_chain(): void
    {
        $case = CaseBuilder::aCase()->complaint('interscapular', 'right', 6)
            ->add('findings', 'posture', ['sign' => 'shoulder_rolled_forward', 'side' => 'right', 'grade' => 2])
            ->add('findings', 'tests', ['test' => 'resting_arm_height', 'side' => 'right', 'value' => 9])->add(
                'findings', 'tests', ['test' => 'resting_arm_height', 'side' => 'left', 'value' => 5],
            );
        $pull = $this->first($case, 'short_pulls');

        self::assertSame('pectoralis_minor:right', $pull->muscles[0]->key());
        self::assertContains('rhomboids:right', array_map(static fn (MuscleAt $at): string => $at->key(), $pull->muscles));
        self::assertSame(['interscapular:right'], array_map(static fn ($place): string => $place->key(), $pull->to));
        self::assertContains('Resting arm height right says it is short', $pull->because);
    }

    public function test_a_side_that_nobody_felt_is_not_the_tighter_one(): void
    {
        $quiet = 'felt trapezius_upper left tender 0 not own; felt levator_scapulae left tender 0 not own; '
            .'felt scalene_middle left tender 0 not own; felt psoas_major left tender 0 not own';
        $tight = str_replace(['left', 'tender 0 not own'], ['right', 'tender 3'], $quiet);

        self::assertSame([], $this->of(SpokenFindings::make("hurts neck_side left; $quiet"), 'busy_side'));
        self::assertNotSame(
            [], $this->of(SpokenFindings::make("hurts neck_side left; $quiet; $tight"), 'busy_side'),
        );
    }

    public function test_without_a_short_muscle_or_an_ache_there_is_no_pull(): void
    {
        $short = static fn (): CaseBuilder => CaseBuilder::aCase()->add(
            'findings', 'posture', ['sign' => 'shoulder_rolled_forward', 'side' => 'right', 'grade' => 2],
        );

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
        $case = CaseBuilder::aCase()->complaint('neck_side', 'left', 6)->add(
            'findings', 'posture', ['sign' => 'chin_up', 'side' => 'midline', 'grade' => 3],
        )
            ->range('cervical.rotation', 'left', ['active' => 75, 'pain' => 0])
            ->range('cervical.side_bend', 'right', ['active' => 42, 'pain' => 0])
            ->range('cervical.extension', 'midline', ['active' => 60, 'pain' => 0]);
        $pulled = fn (CaseBuilder $of): array => array_merge(
            ...array_map(
                static fn (Chain $chain): array => array_map(static fn (MuscleAt $at): string => $at->key(), $chain->muscles),
                $this->of($of, 'short_pulls'),
            ),
        );
        self::assertContains($strap, $pulled($case));
        $case->felt('sternocleidomastoid_sternal', 'left', ['tenderness' => 4, 'texture' => ['taut_band'], 'familiar' => 'yes']);

        self::assertNotContains($strap, $pulled($case));
    }

    public function test_a_stiff_upper_back_beside_a_sore_neck(): void
    {
        $stiff = static fn (float $turn): CaseBuilder => CaseBuilder::aCase()
            ->complaint('neck_back', 'left', 5)
            ->range('thoracic.rotation', 'left', ['active' => $turn])
            ->range('thoracic.rotation', 'right', ['active' => $turn]);

        self::assertSame('Upper and middle back: stiff, so that its work may fall to the neck.', $this->first($stiff(20), 'stiff')->title);
        self::assertSame([], $this->of($stiff(33), 'stiff'), 'within measuring error of the usual');
        $spring = CaseBuilder::aCase()->complaint('neck_back', 'left', 5)->add(
            'findings', 'tests', ['test' => 'segment_spring', 'side' => 'midline', 'segment' => 'T4', 'value' => 0],
        );
        self::assertSame(['Segment spring T4 is short of the usual'], $this->first($spring, 'stiff')->because);
    }

    public function test_the_busy_side_needs_two_muscles_on_the_side_of_the_hand_and_more_than_across(): void
    {
        $felt = static fn (string $hand, string ...$muscles): CaseBuilder => array_reduce(
            $muscles,
            static fn (CaseBuilder $case, string $muscle): CaseBuilder => $case->felt(
                $muscle, 'right', ['tenderness' => 3, 'tone' => 'high'],
            )->felt(
                $muscle, 'left', ['tenderness' => 0],
            ),
            CaseBuilder::aCase()->with(['client' => ['hand' => $hand]]),
        );
        $busy = $this->first($felt('right', 'extensor_carpi_radialis', 'masseter', 'trapezius_upper'), 'busy_side');

        self::assertSame(
            ['masseter:right', 'trapezius_upper:right', 'extensor_carpi_radialis:right'],
            array_map(static fn (MuscleAt $at): string => $at->key(), $busy->muscles), 'from the jaw down',
        );
        self::assertSame([], $this->of($felt('right', 'masseter'), 'busy_side'));
        self::assertSame([], $this->of($felt('left', 'masseter', 'trapezius_upper'), 'busy_side'));
    }

    public function test_a_pull_is_told_in_a_sentence(): void
    {
        $pulls = $this->of(SpokenFindings::make('hurts interscapular left; looks shoulder_rolled_forward left 2'), 'short_pulls');

        self::assertSame(
            'Pectoralis minor is short on the left, and trapezius (middle fibres), trapezius (lower fibres) and rhomboids ache, overstretched.',
            implode(
                "\n",
                array_map(
                    static fn (Chain $chain): string => $chain->title,
                    array_filter($pulls, static fn (Chain $chain): bool => $chain->muscles[0]->key() === 'pectoralis_minor:left'),
                ),
            ),
        );
        self::assertLessThanOrEqual(3, count($pulls));
        self::assertSame($pulls[0]->because, array_unique($pulls[0]->because));
    }

    public function test_what_ached_in_the_week_aches(): void
    {
        $case = static fn (array $complaint): CaseBuilder => CaseBuilder::aCase()->add(
            'findings', 'complaints', ['zone' => 'interscapular', 'side' => 'left', ...$complaint],
        )
            ->add('findings', 'posture', ['sign' => 'shoulder_rolled_forward', 'side' => 'left', 'grade' => 2])
            ->range('shoulder.flexion', 'left', ['active' => 120]);

        self::assertNotSame([], $this->of($case(['now' => 0, 'worst_week' => 6]), 'short_pulls'), 'quiet this hour, sore this week');
        self::assertNotSame([], $this->of($case([]), 'short_pulls'), 'shown, and nobody has asked how strongly');
        self::assertSame([], $this->of($case(['now' => 0, 'worst_week' => 0]), 'short_pulls'));
    }

    public function test_a_stiff_region_names_every_neighbour_that_hurts_once_and_what_is_short(): void
    {
        $chains = $this->of(
            SpokenFindings::make(
                'hurts neck_back left; hurts neck_back right; hurts low_back left; moves thoracic.rotation left 20; moves thoracic.rotation right 20; moves trunk.extension midline 10',
            ),
            'stiff',
        );

        self::assertSame(
            'Upper and middle back: stiff, so that its work may fall to the neck, and to the low back and belly.', $chains[0]->title,
        );
        self::assertSame(
            [
                'Turning the upper back left is short of the usual', 'Turning the upper back right is short of the usual',
                'Bending back is short of the usual',
            ],
            $chains[0]->because,
        );
        self::assertSame(
            ['neck_back:left', 'neck_back:right', 'low_back:left'], array_map(static fn ($place): string => $place->key(), $chains[0]->to),
        );
    }

    public function test_the_busy_side_leads_only_when_more_lean_to_it_than_away(): void
    {
        $felt = static fn (array $right, array $left, ?string $hand = 'right'): CaseBuilder => SpokenFindings::make(implode('; ', [
            ...array_map(static fn (string $muscle): string => "felt $muscle right tender 3 tone high", $right),
            ...array_map(static fn (string $muscle): string => "felt $muscle left tender 3 tone high", $left),
        ]))->with(['client' => ['hand' => $hand]]);
        $titles = fn (CaseBuilder $case): array => array_map(
            static fn (Chain $chain): array => [$chain->title, ...$chain->because], $this->of($case, 'busy_side'),
        );

        self::assertSame(
            [['Right is the busy side: masseter and trapezius (upper fibres) are shorter or tighter there than on the other.']],
            $titles($felt(['masseter', 'trapezius_upper'], [])),
        );
        self::assertSame(
            [[
                'Right is the busy side: masseter and trapezius (upper fibres) are shorter or tighter there than on the other.',
                '1 muscle leans the other way',
            ]],
            $titles($felt(['masseter', 'trapezius_upper'], ['levator_scapulae'])),
        );
        self::assertSame(
            '2 muscles lean the other way',
            $titles($felt(['masseter', 'trapezius_upper', 'gluteus_medius'], ['levator_scapulae', 'psoas_major']))[0][1],
        );
        self::assertSame([], $titles($felt(['masseter', 'trapezius_upper'], ['levator_scapulae', 'psoas_major'])), 'as many lean away');
        self::assertSame([], $titles($felt(['masseter'], [])), 'one is not a side');
        self::assertSame([], $titles($felt(['masseter', 'trapezius_upper'], [], 'both')), 'no hand leads');
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
