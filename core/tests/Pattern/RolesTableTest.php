<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\Table;

/** The table of roles, row by row: its head says how a row is read. */
final class RolesTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_muscle_plays_the_part_the_table_says(string $findings, string $expected): void
    {
        [$muscle, $side, $role] = explode(' ', $expected);
        $found = array_values(array_filter(Core::clinic()->rank($this->made($findings)->make())->candidates, static fn (Candidate $one): bool => $one->at->key() === "$muscle:$side"));

        self::assertSame($role, $found[0]->role->value ?? null, implode('; ', array_map(static fn ($evidence): string => $evidence->text(), $found[0]->evidence ?? [])));
    }

    /** @return iterable<string, array{string, string}> */
    public static function rows(): iterable
    {
        yield from Table::rows('roles', 3);
    }

    private function made(string $findings): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        foreach (array_map(trim(...), explode(';', $findings)) as $finding) {
            $words = explode(' ', $finding);
            match ($words[0]) {
                'hurts' => $case->complaint($words[1], $words[2]),
                'felt' => $case->felt($words[1], $words[2], $this->felt(array_slice($words, 3), $words[2])),
                'moves' => $case->range($words[1], $words[2], ['active' => (float) $words[3], ...isset($words[5]) ? ['pain' => (float) $words[5]] : []]),
                'looks' => $case->add('findings', 'posture', ['sign' => $words[1], 'side' => $words[2], 'grade' => (int) $words[3]]),
                'days' => $case->with(['demands' => [['demand' => $words[1]]]]),
                default => throw new \UnexpectedValueException("\"$finding\" says nothing that is known"),
            };
        }

        return $case;
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    private function felt(array $words, string $side): array
    {
        $felt = [];
        foreach ($words as $index => $word) {
            $next = $words[$index + 1] ?? '';
            $felt = [...$felt, ...match ($word) {
                'tender' => ['tenderness' => (int) $next],
                'tone' => ['tone' => $next],
                'band' => ['texture' => ['taut_band']],
                'own' => ['familiar' => ($words[$index - 1] ?? '') === 'not' ? 'no' : 'yes'],
                'sends' => ['refers_to' => [['zone' => $next, 'side' => $side]]],
                default => [],
            }];
        }

        return $felt;
    }
}
