<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\FieldMerge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two windows on one finding: what stands in the end. */
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
}
