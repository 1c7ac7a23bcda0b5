<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\Evidence;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;
use Somatrace\Core\Tests\Support\Table;

/** The table of joints, row by row: what each finding says of one. */
final class JointSignsTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_finding_says_of_a_joint_what_the_table_says(string $findings, string $expected): void
    {
        [$named, $signs] = array_map(trim(...), explode(':', $expected, 2));
        $words = explode(' ', $named);
        $side = Side::from(array_pop($words));
        $at = new JointAt(Core::clinic()->atlas()->handwork()->joint($words[0]), $words[1] ?? null, $side);
        $evidence = Core::clinic()->rank(SpokenFindings::make($findings)->make())->ofJoint($at)?->evidence()
            ?? self::fail("there is no $named");
        $order = array_flip(['complaint', 'joint', 'joint_pain', 'test']);
        usort($evidence, static fn (Evidence $a, Evidence $b): int => $order[$a->kind] <=> $order[$b->kind]);

        self::assertSame($signs, implode(', ', array_map(
            static fn (Evidence $one): string => $one->sign->name.($one->sign->share === 1.0 ? '' : ' '.round($one->sign->share, 3)),
            $evidence,
        )));
    }

    /** @return iterable<string, list<string>> */
    public static function rows(): iterable
    {
        yield from Table::rows('joints', 3);
    }
}
