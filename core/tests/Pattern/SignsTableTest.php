<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\Evidence;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;
use Somatrace\Core\Tests\Support\Table;

/** The table of signs, row by row: what each finding says of a muscle, and the sentence it says it in. */
final class SignsTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_finding_says_of_a_muscle_what_the_table_says(string $findings, string $expected, string $sentences): void
    {
        [$muscle, $side, $signs] = explode(' ', "$expected ", 3);
        $candidate = Core::clinic()->rank(SpokenFindings::make($findings)->make())->of(
            new MuscleAt($muscle, Side::from(rtrim($side, ':'))),
        );
        $evidence = $candidate?->evidence() ?? [];
        usort($evidence, static fn (Evidence $a, Evidence $b): int => [$a->kind, $a->sign->name] <=> [$b->kind, $b->sign->name]);

        $sign = static fn (Evidence $one): string => $one->sign->name.($one->sign->share === 1.0 ? '' : " {$one->sign->share}");
        self::assertSame(
            [$signs === '' ? '' : trim($signs), $sentences],
            [
                implode(', ', array_map($sign, $evidence)),
                implode(' · ', array_map(static fn (Evidence $one): string => $one->text(), $evidence)),
            ],
        );
    }

    /** @return iterable<string, list<string>> */
    public static function rows(): iterable
    {
        yield from Table::rows('signs', 4);
    }
}
