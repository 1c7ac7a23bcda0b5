<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Handwork;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Handwork\DayOfHands;

/** A day of ten thumb minutes, worked out by hand. */
final class DayOfHandsTest extends TestCase
{
    public function test_done_and_expected_stand_beside_what_the_day_has(): void
    {
        self::assertSame(
            [['part' => 'thumb', 'name' => 'thumbs', 'done' => 3.0, 'expected' => 5.5, 'of' => 10.0]],
            self::day(['thumb' => 3.0], ['Ida' => ['thumb' => 4.0], 'Jon' => ['thumb' => 1.5]])->parts(),
            'what nobody asks of is not listed',
        );
        self::assertSame([], self::day([], [])->parts());
    }

    public function test_what_fits_says_nothing_and_what_is_over_names_who_asks_most(): void
    {
        self::assertSame([], self::day(['thumb' => 4.5], ['Ida' => ['thumb' => 4.0], 'Jon' => ['thumb' => 1.5]])->otherTools());
        $over = self::day(['thumb' => 6.0], ['Ida' => ['thumb' => 1.5], 'Jon' => ['thumb' => 4.0]])->otherTools();

        self::assertSame(['part' => 'thumb', 'over' => 1.5, 'who' => 'Jon', 'saves' => 4.0], array_diff_key($over[0], ['words' => 1]));
        self::assertSame('Thumbs would be 1.5 min over. With Jon another tool spares 4 min.', $over[0]['words']);
        self::assertSame([], self::day(['thumb' => 14.0], [])->otherTools(), 'what is done is done');
    }

    public function test_two_in_a_row_who_ask_much_are_parted_by_one_who_does_not(): void
    {
        $order = static fn (array $ahead): array => array_map(
            static fn (array $one): array => [$one['first'], $one['second'], $one['between']], self::day([], $ahead)->otherOrders(),
        );

        self::assertSame(
            [['Ida', 'Jon', 'Kit']],
            $order(['Ida' => ['thumb' => 3.0], 'Jon' => ['thumb' => 2.0], 'Kit' => ['elbow' => 9.0]]),
        );
        self::assertSame([], $order(['Ida' => ['thumb' => 3.0], 'Jon' => ['thumb' => 1.9], 'Kit' => []]), 'not much');
        self::assertSame([], $order(['Ida' => ['thumb' => 3.0], 'Kit' => [], 'Jon' => ['thumb' => 3.0]]), 'parted already');
        self::assertSame(
            [], $order(['Ida' => ['thumb' => 3.0], 'Jon' => ['thumb' => 3.0], 'Kit' => ['thumb' => 2.0]]), 'nobody to part them',
        );
    }

    /**
     * @param  array<string, float>  $done
     * @param  array<string, array<string, float>>  $ahead
     */
    private static function day(array $done, array $ahead): DayOfHands
    {
        return new DayOfHands(
            ['thumb' => ['name' => 'thumbs', 'day' => 10.0], 'elbow' => ['name' => 'elbows', 'day' => 50.0]], $done,
            array_map(
                static fn (string $who, array $load): array => ['who' => $who, 'load' => $load], array_keys($ahead), array_values($ahead),
            ),
        );
    }
}
