<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Measures;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Measures\Compared;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What is real and what matters, with the figures that are cited. */
final class ComparingTest extends TestCase
{
    /** @param  array<string, mixed>  $then  @param  array<string, mixed>  $now */
    #[DataProvider('changes')]
    public function test_a_change_is_real_from_its_error_on(
        string $list,
        array $then,
        array $now,
        string $key,
        bool $real,
        bool $better,
        ?bool $matters = null,
    ): void {
        $case = CaseBuilder::aCase()->add('findings', $list, $now)->visited('2026-02-20', ['findings' => [$list => [$then]]]);
        $last = $this->with($case, $key, 'last', $now['side'] ?? 'midline');

        self::assertSame([$real, $real ? $better : $last->better, $matters], [$last->real, $last->better, $last->matters], $last->words);
        self::assertStringContainsString(
            $real ? 'real, '.($better ? 'better' : 'worse') : ($last->difference === 0.0 ? 'the same' : 'within measuring error'),
            $last->words,
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>, string, bool, bool, 6?: bool|null}> */
    public static function changes(): iterable
    {
        $pain = static fn (float $now): array => ['zone' => 'neck_side', 'side' => 'left', 'now' => $now];
        $range = static fn (string $movement, float $value, string $side = 'left'): array => [
            'movement' => $movement, 'side' => $side, 'active' => $value,
        ];
        $test = static fn (string $test, float $value, string $side = 'left'): array => [
            'test' => $test, 'side' => $side, 'value' => $value,
        ];
        $felt = static fn (string $muscle, array $details): array => ['muscle' => $muscle, 'side' => 'left', ...$details];

        yield 'pain: 1.5 points are noise' => ['complaints', $pain(6), $pain(4.5), 'complaint.neck_side', false, true, false];
        yield 'pain: 2 points are real and matter (Farrar 2001)' => [
            'complaints', $pain(6), $pain(4), 'complaint.neck_side', true, true, true,
        ];
        yield 'pain: 30 % of 4 is 1.2, too little to be real' => [
            'complaints', $pain(4), $pain(2.5), 'complaint.neck_side', false, true, false,
        ];
        yield 'pain: up is worse' => ['complaints', $pain(3), $pain(5), 'complaint.neck_side', true, false, true];
        yield 'one task: 2 points are not enough (Stratford 1995)' => [
            'function', ['task' => 'lifting', 'score' => 4], ['task' => 'lifting', 'score' => 6], 'function.lifting', false, true,
        ];
        yield 'one task: 3 points are real (Stratford 1995)' => [
            'function', ['task' => 'lifting', 'score' => 4], ['task' => 'lifting', 'score' => 7], 'function.lifting', true, true,
        ];
        yield 'goniometer: 4° are noise' => [
            'range', $range('hip.flexion', 100), $range('hip.flexion', 104), 'range.hip.flexion.active', false, true,
        ];
        yield 'goniometer: 5° are real' => [
            'range', $range('hip.flexion', 100), $range('hip.flexion', 105), 'range.hip.flexion.active', true, true,
        ];
        yield 'neck: 6° are noise' => [
            'range', $range('cervical.rotation', 50), $range('cervical.rotation', 56), 'range.cervical.rotation.active', false, true,
        ];
        yield 'neck: 7° are real' => [
            'range', $range('cervical.rotation', 50), $range('cervical.rotation', 57), 'range.cervical.rotation.active', true, true,
        ];
        yield 'jaw: 4 mm are noise' => [
            'range', $range('jaw.opening', 36, 'midline'), $range('jaw.opening', 40, 'midline'), 'range.jaw.opening.active', false, true,
        ];
        yield 'jaw: 5 mm are real' => [
            'range', $range('jaw.opening', 35, 'midline'), $range('jaw.opening', 40, 'midline'), 'range.jaw.opening.active', true, true,
        ];
        yield 'fingertip to floor: 3 cm, less is better' => [
            'range', $range('trunk.flexion', 20, 'midline'), $range('trunk.flexion', 17, 'midline'), 'range.trunk.flexion.active', true,
            true,
        ];
        yield 'fingertip to floor: 2 cm are noise' => [
            'range', $range('trunk.flexion', 20, 'midline'), $range('trunk.flexion', 18, 'midline'), 'range.trunk.flexion.active', false,
            true,
        ];
        yield 'a glide: one step' => [
            'range', $range('patella.glide_in', 1), $range('patella.glide_in', 2), 'range.patella.glide_in.active', true, true,
        ];
        yield 'threshold of the neck: 46 kPa are noise (Walton 2011)' => [
            'palpation', $felt('levator_scapulae', ['ppt_kpa' => 200]), $felt('levator_scapulae', ['ppt_kpa' => 246]),
            'palpation.levator_scapulae.whole.ppt', false, true,
        ];
        yield 'threshold of the neck: 47 kPa are real (Walton 2011)' => [
            'palpation', $felt('levator_scapulae', ['ppt_kpa' => 200]), $felt('levator_scapulae', ['ppt_kpa' => 247]),
            'palpation.levator_scapulae.whole.ppt', true, true,
        ];
        yield 'threshold of the shin: 97 kPa are noise (Walton 2011)' => [
            'palpation', $felt('tibialis_anterior', ['ppt_kpa' => 300]), $felt('tibialis_anterior', ['ppt_kpa' => 397]),
            'palpation.tibialis_anterior.whole.ppt', false, true,
        ];
        yield 'threshold of the shin: 98 kPa are real (Walton 2011)' => [
            'palpation', $felt('tibialis_anterior', ['ppt_kpa' => 300]), $felt('tibialis_anterior', ['ppt_kpa' => 398]),
            'palpation.tibialis_anterior.whole.ppt', true, true,
        ];
        yield 'threshold elsewhere: a quarter' => [
            'palpation', $felt('gluteus_medius', ['ppt_kpa' => 400]), $felt('gluteus_medius', ['ppt_kpa' => 500]),
            'palpation.gluteus_medius.whole.ppt', true, true,
        ];
        yield 'tenderness: one grade' => [
            'palpation', $felt('gluteus_medius', ['tenderness' => 3]), $felt('gluteus_medius', ['tenderness' => 2]),
            'palpation.gluteus_medius.whole.tenderness', true, true,
        ];
        yield 'girth: 1 cm' => ['tests', $test('calf_girth', 38), $test('calf_girth', 39), 'test.calf_girth', true, false];
        yield 'leg length: 5 mm are noise' => ['tests', $test('leg_length', 8), $test('leg_length', 3), 'test.leg_length', false, true];
        yield 'leg length: 6 mm are real' => ['tests', $test('leg_length', 8), $test('leg_length', 2), 'test.leg_length', true, true];
        yield 'collarbone to jaw: 1 cm' => [
            'tests', $test('collarbone_to_jaw', 11), $test('collarbone_to_jaw', 12), 'test.collarbone_to_jaw', true, true,
        ];
        yield 'grip: 4 kg are noise' => [
            'tests', $test('grip_pain_free', 20), $test('grip_pain_free', 24), 'test.grip_pain_free', false, true,
        ];
        yield 'grip: 5 kg are real' => [
            'tests', $test('grip_pain_free', 20), $test('grip_pain_free', 25), 'test.grip_pain_free', true, true,
        ];
        yield 'nothing changed' => [
            'range', $range('hip.flexion', 100), $range('hip.flexion', 100), 'range.hip.flexion.active', false, true,
        ];
    }

    public function test_half_the_pain_gone_matters_much(): void
    {
        $case = CaseBuilder::aCase()->complaint('neck_side', 'left', 4)->visited(
            '2026-02-20', ['findings' => ['complaints' => [['zone' => 'neck_side', 'side' => 'left', 'now' => 8]]]],
        );

        // large: 50 % (Dworkin 2008)
        self::assertStringEndsWith('and it matters much', $this->with($case, 'complaint.neck_side', 'last', 'left')->words);
    }

    /** @param  array<string, mixed>  $then  @param  array<string, mixed>  $now */
    #[DataProvider('sentences')]
    public function test_a_change_is_told_as_the_chart_tells_it(string $list, array $then, array $now, string $key, string $words): void
    {
        $case = CaseBuilder::aCase()->add('findings', $list, $now)->visited('2026-02-20', ['findings' => [$list => [$then]]]);
        $told = $this->with($case, $key, 'last', $now['side'] ?? 'midline')->words;

        self::assertSame($words, preg_replace('/ than .*?(?=:)|(?<=the same as ).*/', '', $told));
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>, string, string}> */
    public static function sentences(): iterable
    {
        $pain = static fn (float $now): array => ['zone' => 'neck_side', 'side' => 'left', 'now' => $now];
        $range = static fn (string $movement, float $value): array => ['movement' => $movement, 'side' => 'left', 'active' => $value];

        yield 'two points of nine matter' => [
            'complaints', $pain(9), $pain(7), 'complaint.neck_side', '2 points less: real, better, and it matters',
        ];
        yield 'half gone matters much' => [
            'complaints', $pain(8), $pain(4), 'complaint.neck_side', '4 points less: real, better, and it matters much',
        ];
        yield 'just under half does not matter much' => [
            'complaints', $pain(9), $pain(5), 'complaint.neck_side', '4 points less: real, better, and it matters',
        ];
        yield 'twice the pain is no large relief' => [
            'complaints', $pain(4), $pain(8), 'complaint.neck_side', '4 points more: real, worse, and it matters',
        ];
        yield 'pain where there was none' => [
            'complaints', $pain(0), $pain(4), 'complaint.neck_side', '4 points more: real, worse, and it matters',
        ];
        yield 'one step' => ['complaints', $pain(5), $pain(4), 'complaint.neck_side', '1 point less: within measuring error (2 points)'];
        yield 'degrees matter as far as nobody has said' => [
            'range', $range('hip.flexion', 100), $range('hip.flexion', 110), 'range.hip.flexion.active', '10° more: real, better',
        ];
        yield 'a grade of tenderness' => [
            'palpation', ['muscle' => 'gluteus_medius', 'side' => 'left', 'tenderness' => 3],
            ['muscle' => 'gluteus_medius', 'side' => 'left', 'tenderness' => 2], 'palpation.gluteus_medius.whole.tenderness',
            '1 grade less: real, better',
        ];
        yield 'a step of a glide' => [
            'range', $range('patella.glide_in', 1), $range('patella.glide_in', 3), 'range.patella.glide_in.active',
            '2 steps more: real, better',
        ];
        yield 'a length' => [
            'tests', ['test' => 'leg_length', 'side' => 'left', 'value' => 2], ['test' => 'leg_length', 'side' => 'left', 'value' => 10],
            'test.leg_length', '8 mm more: real, worse',
        ];
        yield 'a threshold, in whole kilopascals' => [
            'palpation', ['muscle' => 'gluteus_medius', 'side' => 'left', 'ppt_kpa' => 400],
            ['muscle' => 'gluteus_medius', 'side' => 'left', 'ppt_kpa' => 520.4], 'palpation.gluteus_medius.whole.ppt',
            '120 kPa more: real, better',
        ];
    }

    public function test_the_mean_of_several_tasks_is_real_from_two_points(): void
    {
        $tasks = static fn (float $a, float $b): array => [['task' => 'lifting', 'score' => $a], ['task' => 'sleeping', 'score' => $b]];
        $case = CaseBuilder::aCase()->with(['findings' => ['function' => $tasks(6, 6)]])->visited(
            '2026-02-20', ['findings' => ['function' => $tasks(4, 4)]],
        );

        self::assertTrue($this->with($case, 'tasks.mean', 'last', 'midline')->real);
        self::assertFalse($this->with($case, 'function.lifting', 'last', 'midline')->real);
    }

    public function test_sides_differ_really_beyond_the_error_of_the_one_that_strays_more(): void
    {
        $case = CaseBuilder::aCase()
            ->add('findings', 'tests', ['test' => 'grip_pain_free', 'side' => 'left', 'value' => 33, 'repeats' => [29, 33, 37]])
            ->add('findings', 'tests', ['test' => 'grip_pain_free', 'side' => 'right', 'value' => 40]);
        [$left, $right] = [
            $this->with($case, 'test.grip_pain_free', 'other_side', 'left'),
            $this->with($case, 'test.grip_pain_free', 'other_side', 'right'),
        ];

        self::assertFalse($left->real || $right->real);
        self::assertSame(-7.0, $left->difference);
        self::assertSame(7.0, $right->difference);
    }

    #[DataProvider('thresholds')]
    public function test_thresholds_of_two_sides_are_unusual_from_two_kilograms_a_square_centimetre_on(float $right, bool $real): void
    {
        // Fischer 1987: about 196 kPa (2 kg/cm²)
        $case = CaseBuilder::aCase()->felt('trapezius_upper', 'left', ['ppt_kpa' => 200])->felt(
            'trapezius_upper', 'right', ['ppt_kpa' => $right],
        );

        self::assertSame($real, $this->with($case, 'palpation.trapezius_upper.whole.ppt', 'other_side', 'left')->real);
    }

    /** @return iterable<string, array{float, bool}> */
    public static function thresholds(): iterable
    {
        yield '195 kPa' => [395, false];
        yield '196 kPa' => [396, true];
    }

    public function test_the_first_visit_is_told_beside_the_last_and_a_missing_visit_is_missing(): void
    {
        $visit = static fn (?float $value): array => $value === null
            ? []
            : ['findings' => ['range' => [['movement' => 'hip.flexion', 'side' => 'left', 'active' => $value]]]];
        $case = CaseBuilder::aCase()
            ->range('hip.flexion', 'left', ['active' => 112])
            ->visited('2026-02-10', $visit(100))
            ->visited('2026-02-15', $visit(110))
            ->visited('2026-02-20', $visit(null));
        $compared = $this->of($case, 'range.hip.flexion.active', 'left');

        self::assertSame([110.0, false], [$compared->withWhat('last')?->other, $compared->withWhat('last')?->real]);
        self::assertSame([100.0, true], [$compared->withWhat('first')?->other, $compared->withWhat('first')?->real]);
        self::assertSame([120.0, true], [$compared->withWhat('usual')?->other, $compared->withWhat('usual')?->real]);
        self::assertNull($compared->withWhat('other_side'));
    }

    private function of(CaseBuilder $case, string $key, string $side): Comparison
    {
        return array_values(array_filter(
            Core::clinic()->compared($case->make()),
            static fn (Comparison $one): bool => $one->measure->key === $key && $one->measure->side === Side::from($side),
        ))[0];
    }

    private function with(CaseBuilder $case, string $key, string $what, string $side): Compared
    {
        return $this->of($case, $key, $side)->withWhat($what) ?? throw new \LogicException("$key is not compared with $what");
    }
}
