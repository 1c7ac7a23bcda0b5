<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Handwork;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\WholePattern;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** Which side works and shortens in front: told by three signs more for it than for the other, whichever they are. */
final class WholePatternTest extends TestCase
{
    /** @param  list<array{string, string, array<string, mixed>}>  $signs  findings that speak for the right side, or for none */
    #[DataProvider('signs')]
    public function test_a_third_sign_decides(array $signs, bool $speaks): void
    {
        foreach ([false, true] as $mirrored) {
            $busy = self::pattern()->read(self::seen($signs, $mirrored)->make())->busySide();

            self::assertSame($speaks ? ($mirrored ? Side::Left : Side::Right) : null, $busy, $mirrored ? 'mirrored' : 'as told');
        }
    }

    /** @return iterable<string, array{list<array{string, string, array<string, mixed>}>, bool}> beside two that speak for the right */
    public static function signs(): iterable
    {
        $turned = static fn (?float $left, float $right): array => [
            ...($left === null ? [] : [['range', 'left', ['movement' => 'cervical.rotation', 'active' => $left]]]),
            ['range', 'right', ['movement' => 'cervical.rotation', 'active' => $right]],
        ];
        yield 'two alone' => [[], false];
        yield 'turning is lost there' => [$turned(70, 60), true];
        yield 'turning is lost by just what counts' => [$turned(70, 63), true];
        yield 'turning differs by less than counts' => [$turned(70, 64), false];
        yield 'turning is lost on the other side' => [$turned(60, 70), false];
        yield 'turning was measured on one side only' => [$turned(null, 40), false];
        $tested = static fn (string $test, ?float $left, float $right): array => [
            ...($left === null ? [] : [['tests', 'left', ['test' => $test, 'value' => $left]]]),
            ['tests', 'right', ['test' => $test, 'value' => $right]],
        ];
        yield 'shorter from collarbone to jaw on the other side' => [$tested('collarbone_to_jaw', 14, 16), true];
        yield 'shorter from collarbone to jaw on this side' => [$tested('collarbone_to_jaw', 16, 14), false];
        yield 'collarbone to jaw on one side only' => [$tested('collarbone_to_jaw', null, 16), false];
        yield 'the jaw drifts away from it' => [[['tests', 'left', ['test' => 'jaw_drift', 'value' => 3]]], true];
        yield 'the jaw drifts to it' => [[['tests', 'right', ['test' => 'jaw_drift', 'value' => 3]]], false];
        yield 'the jaw drifts a little' => [[['tests', 'left', ['test' => 'jaw_drift', 'value' => 1]]], false];
        yield 'its arm rests high' => [[['posture', 'right', ['sign' => 'arm_rests_high', 'grade' => 1]]], true];
        yield 'both arms rest high' => [[
            ['posture', 'right', ['sign' => 'arm_rests_high', 'grade' => 1]],
            ['posture', 'left', ['sign' => 'arm_rests_high', 'grade' => 1]],
        ], false];
        yield 'its arm rests higher' => [[
            ['posture', 'right', ['sign' => 'arm_rests_high', 'grade' => 2]],
            ['posture', 'left', ['sign' => 'arm_rests_high', 'grade' => 1]],
        ], true];
        yield 'its hand does the work' => [[['demands', 'right', ['demand' => 'pinch', 'hours_per_week' => 10]]], true];
        yield 'the hours of its hand are more' => [[
            ['demands', 'right', ['demand' => 'pinch', 'hours_per_week' => 10]],
            ['demands', 'left', ['demand' => 'twisting_grip', 'hours_per_week' => 4]],
        ], true];
        yield 'hours that are added up are more on the other side' => [[
            ['demands', 'right', ['demand' => 'pinch', 'hours_per_week' => 10]],
            ['demands', 'left', ['demand' => 'pinch', 'hours_per_week' => 6]],
            ['demands', 'left', ['demand' => 'twisting_grip', 'hours_per_week' => 6]],
        ], false];
        yield 'both hands work as long' => [[
            ['demands', 'right', ['demand' => 'pinch', 'hours_per_week' => 10]],
            ['demands', 'left', ['demand' => 'pinch', 'hours_per_week' => 10]],
        ], false];
    }

    public function test_what_speaks_for_the_other_side_is_taken_off(): void
    {
        $three = [['posture', 'right', ['sign' => 'arm_rests_high', 'grade' => 1]]];
        $against = ['demands', 'left', ['demand' => 'pinch', 'hours_per_week' => 10]];

        self::assertSame(Side::Right, self::pattern()->read(self::seen($three, false)->make())->busySide());
        self::assertNull(self::pattern()->read(self::seen([...$three, $against], false)->make())->busySide());
    }

    public function test_in_front_is_of_the_busy_side_and_behind_of_the_other(): void
    {
        $pattern = self::pattern();
        $at = static fn (string $muscle, Side $side): MuscleAt => new MuscleAt($muscle, $side);

        self::assertTrue($pattern->isFront($at('pectoralis_minor', Side::Right), Side::Right));
        self::assertFalse($pattern->isFront($at('pectoralis_minor', Side::Left), Side::Right));
        self::assertFalse($pattern->isFront($at('rhomboids', Side::Right), Side::Right));
        self::assertTrue($pattern->isBehind($at('rhomboids', Side::Left), Side::Right));
        self::assertFalse($pattern->isBehind($at('rhomboids', Side::Right), Side::Right));
        self::assertFalse($pattern->isBehind($at('pectoralis_minor', Side::Left), Side::Right));
        self::assertTrue($pattern->isAfterFront('neck'));
        self::assertFalse($pattern->isAfterFront('shoulder'));
    }

    /** What gives way behind is calmed instead of lengthened; what is in spasm is eased as anywhere. */
    public function test_what_gives_way_behind_is_calmed_unless_it_asks_for_more(): void
    {
        $high = ['posture', 'right', ['sign' => 'arm_rests_high', 'grade' => 1]];
        $ways = static function (array $signs, string $tone): array {
            $case = self::seen($signs, false)->complaint('interscapular', 'left', 5)
                ->felt('rhomboids', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'tone' => $tone])
                ->with(['exposure' => [['muscle' => 'rhomboids', 'side' => 'left', 'visits' => 4]]]);

            return array_merge(...array_map(
                static fn (PlanStep $step): array => $step->target === 'rhomboids:left' ? array_column($step->manoeuvres, 'technique') : [],
                Core::clinic()->plan($case->make())->steps,
            ));
        };

        self::assertContains('pin_and_lengthen_active', $ways([], 'usual'), 'no pattern');
        self::assertNotContains('pin_and_lengthen_active', $ways([$high], 'usual'));
        self::assertContains('compressive_hold', $ways([$high], 'usual'));
        self::assertSame($ways([], 'spasm'), $ways([$high], 'spasm'));
        self::assertContains('positional_ease', $ways([$high], 'spasm'));
    }

    private static function pattern(): WholePattern
    {
        return WholePattern::load(dirname(__DIR__, 2).'/data');
    }

    /** @param  list<array{string, string, array<string, mixed>}>  $signs  beside a rolled shoulder and a short collarbone on the right */
    private static function seen(array $signs, bool $mirrored): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        $two = array_map(
            static fn (string $sign): array => ['posture', 'right', ['sign' => $sign, 'grade' => 2]],
            ['shoulder_rolled_forward', 'collarbone_short'],
        );
        $demands = [];
        foreach ([...$two, ...$signs] as [$list, $side, $entry]) {
            $side = $mirrored ? Side::from($side)->mirrored()->value : $side;
            if ($list === 'demands') {
                $demands[] = [...$entry, 'side' => $side];
            } else {
                $case = $case->add('findings', $list, [...$entry, 'side' => $side]);
            }
        }

        return $case->with(['demands' => $demands]);
    }
}
