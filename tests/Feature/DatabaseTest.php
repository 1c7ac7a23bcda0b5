<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What the database itself refuses, whoever asks. */
final class DatabaseTest extends TestCase
{
    #[DataProvider('impossible')]
    public function test_it_refuses_what_cannot_be(string $table, string $column, mixed $value): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);

        $this->expectException(QueryException::class);
        DB::table($table)->update([$column => $value]);
    }

    /** @return iterable<string, array{string, string, mixed}> */
    public static function impossible(): iterable
    {
        yield 'a visit of five minutes' => ['visits', 'minutes', 5];
        yield 'a visit of no number' => ['visits', 'number', 0];
        yield 'a state no visit has' => ['visits', 'status', 'forgotten'];
        yield 'a kind no entry has' => ['entries', 'kind', 'rumour'];
        yield 'a phase no entry has' => ['entries', 'phase', 'during'];
        yield 'a therapist of ten kilograms' => ['users', 'mass_kg', 10];
        yield 'a client of half a ton' => ['clients', 'mass_kg', 500];
        yield 'a visit of nobody' => ['visits', 'client_id', 99999];
    }

    public function test_it_keeps_its_word_when_the_power_goes(): void
    {
        $pragma = static fn (string $name): mixed => array_values((array) DB::selectOne("pragma $name"))[0];

        self::assertSame([1, 2, 10_000], [$pragma('foreign_keys'), $pragma('synchronous'), $pragma('busy_timeout')]);
    }
}
