<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Treatment;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Tests\Support\Core;

/** What follows at the table from what the client says or shows. */
final class TablesideTest extends TestCase
{
    #[DataProvider('easings')]
    public function test_easing_off_goes_a_step_down_and_stays_calm(float $pressure, float $to): void
    {
        self::assertSame($to, Core::clinic()->tableside()->eased($pressure));
    }

    /** @return iterable<string, array{float, float}> */
    public static function easings(): iterable
    {
        yield 'strong: to calm' => [7, 4.0];
        yield 'just over calm' => [5.5, 4.0];
        yield 'firm' => [5, 4.0];
        yield 'between' => [4.5, 4.0];
        yield 'calm: a step' => [4, 3.0];
        yield 'light' => [1.5, 1.0];
        yield 'as light as it goes' => [1, 1.0];
    }

    #[DataProvider('risings')]
    public function test_up_again_by_halves_and_never_over_the_ceiling(float $pressure, float $ceiling, ?float $to): void
    {
        self::assertSame($to, Core::clinic()->tableside()->raised($pressure, $ceiling));
    }

    /** @return iterable<string, array{float, float, float|null}> */
    public static function risings(): iterable
    {
        yield 'half a step' => [3, 5, 3.5];
        yield 'to the ceiling' => [4.5, 5, 5.0];
        yield 'less than half a step is left' => [4.8, 5, 5.0];
        yield 'at the ceiling' => [5, 5, null];
        yield 'over it, by a hand' => [6, 5, null];
    }

    /** @param  array{string, float}  $follows */
    #[DataProvider('numbers')]
    public function test_what_a_number_means(float $number, float $pressure, float $ceiling, array $follows): void
    {
        self::assertSame($follows, Core::clinic()->tableside()->number($number, $pressure, $ceiling));
    }

    /** @return iterable<string, array{float, float, float, array{string, float}}> number, pressed, ceiling, what follows */
    public static function numbers(): iterable
    {
        yield 'under' => [3, 4, 5, ['stay', 4.0]];
        yield 'at the ceiling' => [5, 4, 5, ['stay', 4.0]];
        yield 'one over: one down' => [6, 4.5, 5, ['ease', 3.5]];
        yield 'a little over: a whole step all the same' => [5.5, 4.5, 5, ['ease', 3.5]];
        yield 'two over' => [7, 4, 5, ['ease', 2.0]];
        yield 'down to halves' => [6, 4.25, 5, ['ease', 3.0]];
        yield 'never below the lightest' => [7, 2, 4, ['ease', 1.0]];
        yield 'lighter than the lightest already' => [7, 0.5, 4, ['ease', 0.5]];
        yield 'they brace, under a high ceiling' => [8, 6, 8, ['brace', 4.0]];
        yield 'they brace far over a low one' => [8, 4, 4, ['brace', 1.0]];
        yield 'nine' => [9, 7, 7, ['brace', 5.0]];
        yield 'ten' => [10, 3, 7, ['off', 0.0]];
    }

    /** The more it is, the less is pressed; never more than now, never over the ceiling. */
    public function test_a_higher_number_never_presses_more(): void
    {
        $tableside = Core::clinic()->tableside();
        foreach (range(2, 16) as $ceiling) {
            foreach (range(0, $ceiling) as $pressure) {
                $before = 10.0;
                foreach (range(0, 20) as $number) {
                    $to = $tableside->number($number / 2, $pressure / 2, $ceiling / 2)[1];
                    self::assertLessThanOrEqual(min($before, $pressure / 2), $to, "$number, $pressure under $ceiling, in halves");
                    $before = $to;
                }
            }
        }
    }

    public function test_the_room_gets_it_as_tables_for_the_ceilings_of_its_plan(): void
    {
        $tableside = Core::clinic()->tableside();
        $of = $tableside->of(['steps' => [
            ['ceiling' => ['felt' => 5.5], 'manoeuvres' => [['ceiling' => 4], ['ceiling' => null], ['pressure' => 2]]], ['ceiling' => null],
        ]]);

        self::assertSame(['5.5', 4], array_keys($of['ceilings']));
        self::assertSame([$tableside->eased(6.5), 21], [$of['eased'][13], count($of['eased'])]);
        self::assertCount(12, $of['ceilings']['5.5']['raised']);
        foreach ([[6, 4], [10, 2], [3, 3.5]] as [$number, $pressure]) {
            self::assertSame($tableside->number($number, $pressure, 4), $of['ceilings']['4']['numbers'][$number][(int) (2 * $pressure)]);
        }
        self::assertSame($tableside->raised(3, 4), $of['ceilings']['4']['raised'][6]);
        self::assertSame(['stay', 'ease', 'brace', 'off'], array_keys($of['words']));
    }

    public function test_what_to_expect_goes_by_where_was_pressed(): void
    {
        $tableside = Core::clinic()->tableside();
        $usual = 'Sore for a day or two is usual. Longer: tell me.';
        $after = static fn (string ...$zones): array => $tableside->after(['steps' => [
            ['zones' => ['calf_upper'], 'passes' => []], ['zones' => $zones, 'passes' => [['pressure' => 4]]],
        ]]);

        self::assertSame([], $tableside->after(['steps' => [['zones' => ['calf_upper'], 'passes' => []]]]), 'nothing was pressed');
        self::assertSame([$usual], $after('buttock'));
        self::assertSame(['Soft food today. Hoarse, dizzy or a new headache: ring.', $usual], $after('neck_front', 'neck_side'));
        self::assertSame(['A calf that swells or grows hot: ring at once.', $usual], $after('calf_lower'));
        self::assertSame($tableside->after(['steps' => []]), $tableside->of([])['after']);
    }

    /** Whatever may be a nerve, a vessel or the brain takes the hand away; the rest eases. Each says what to do now. */
    public function test_each_sign_says_what_the_hand_does(): void
    {
        $tableside = Core::clinic()->tableside();
        $off = array_keys(array_filter($tableside->signs, static fn (array $one): bool => $one['hands'] === 'off'));

        self::assertSame(
            ['dizzy', 'nauseous', 'faint', 'visual_change', 'sharp', 'electric', 'numb', 'tingling', 'pulse_under_finger', 'stopped'], $off,
        );
        self::assertSame(['ease', false], [$tableside->signs['breath_held']['hands'], $tableside->signs['breath_held']['decides']]);
        self::assertSame(['ease', 'stay'], [$tableside->signs['spasm']['hands'], $tableside->signs['softened']['hands']]);
        self::assertSame(
            ['shifted', 'referral_faded'], array_keys(array_filter($tableside->signs, static fn (array $one): bool => $one['leads_on'])),
        );
        self::assertSame([90, 'A minute and a half without a change: leave it and go on.'], [
            $tableside->unchangedSeconds, $tableside->signs['nothing_changed']['late'],
        ]);
        foreach ($off as $sign) {
            self::assertTrue($tableside->signs[$sign]['decides'], "$sign: somebody says how it goes on");
        }
    }
}
