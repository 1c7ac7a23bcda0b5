<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\EventOrder;
use App\Cases\FieldMerge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two windows on one finding, several tablets at one table: what stands in the end. */
final class JoiningWhatWasWrittenTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $fields
     * @param  list<string>  $clashing
     */
    #[DataProvider('merges')]
    public function test_fields_of_two_windows(mixed $base, mixed $mine, mixed $theirs, ?array $fields, array $clashing): void
    {
        $merge = FieldMerge::of($base, $mine, $theirs);

        self::assertSame([$fields, $clashing], [$merge?->fields, $merge?->clashing ?? []]);
    }

    /** @return iterable<string, array{mixed, mixed, mixed, array<string, mixed>|null, list<string>}> both saw, mine, theirs, what stands */
    public static function merges(): iterable
    {
        $base = ['now' => 3, 'tone' => 'high'];
        yield 'each another field' => [
            $base, ['now' => 5, 'tone' => 'high'], ['now' => 3, 'tone' => 'low'], ['now' => 5, 'tone' => 'low'], [],
        ];
        yield 'one field both' => [
            $base, ['now' => 5, 'tone' => 'high'], ['now' => 6, 'tone' => 'high'], ['now' => 6, 'tone' => 'high'], ['now'],
        ];
        yield 'one field both, to the same' => [$base, ['now' => 5] + $base, ['now' => 5] + $base, ['now' => 5, 'tone' => 'high'], []];
        yield 'I add' => [$base, $base + ['side' => 'left'], $base, $base + ['side' => 'left'], []];
        yield 'they add' => [$base, $base, $base + ['side' => 'left'], $base + ['side' => 'left'], []];
        yield 'both add, otherwise' => [
            $base, $base + ['side' => 'left'], $base + ['side' => 'right'], $base + ['side' => 'right'], ['side'],
        ];
        yield 'I take away' => [$base, ['now' => 3], $base, ['now' => 3], []];
        yield 'they take away' => [$base, $base, ['now' => 3], ['now' => 3], []];
        yield 'I take away what they changed' => [
            $base, ['now' => 3], ['now' => 3, 'tone' => 'low'], ['now' => 3, 'tone' => 'low'], ['tone'],
        ];
        yield 'nothing and nothing said are two' => [['a' => null], [], ['a' => null], [], []];
        yield 'nothing stood yet' => [null, ['a' => 1], ['b' => 2], ['b' => 2, 'a' => 1], []];
        yield 'a word' => ['yes', 'no', 'unknown', null, []];
        yield 'a list' => [[], ['a', 'b'], [], null, []];
        yield 'a list of theirs' => [[], [], ['a'], null, []];
        yield 'a list both saw' => [['a'], [], [], null, []];
    }

    /** @param  list<array{int, string|null, int|null}>  $rows  place of receipt, device, its number */
    #[DataProvider('orders')]
    public function test_what_happened_at_the_table_in_its_order(array $rows, string $order): void
    {
        $rows = array_map(static fn (array $row): \stdClass => (object) [
            'seq' => $row[0], 'device' => $row[1], 'number' => $row[2], 'name' => $row[1] === null ? "-$row[0]" : $row[1].$row[2],
        ], $rows);

        self::assertSame($order, implode(' ', array_map(static fn (\stdClass $row): string => $row->name, EventOrder::of($rows))));
        self::assertSame($order, implode(' ', array_map(
            static fn (\stdClass $row): string => $row->name, EventOrder::of(array_reverse($rows)),
        )));
    }

    /** @return iterable<string, array{list<array{int, string|null, int|null}>, string}> */
    public static function orders(): iterable
    {
        yield 'as they came' => [[[1, 'a', 1], [2, 'a', 2]], 'a1 a2'];
        yield 'late' => [[[1, 'a', 2], [2, 'a', 1]], 'a1 a2'];
        yield 'two tablets, each in its own order, in the places it took' => [
            [[1, 'a', 2], [2, 'b', 7], [3, 'a', 1], [4, 'b', 3]], 'a1 b3 a2 b7',
        ];
        yield 'without a device where it came in' => [[[1, 'a', 2], [2, null, null], [3, 'a', 1]], 'a1 -2 a2'];
        yield 'one number twice: as received' => [[[5, 'a', 1], [2, 'a', 1], [3, 'b', 1]], 'a1 b1 a1'];
    }
}
