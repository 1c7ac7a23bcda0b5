<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;
use Somatrace\Core\Tests\Support\Table;

/** Whole pictures as they come, row by row: what the findings come to together. */
final class PicturesTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_picture_comes_to_what_the_table_says(string $findings, string $expected): void
    {
        $case = SpokenFindings::make($findings)->make();
        $pattern = Core::clinic()->rank($case);
        foreach (array_map(trim(...), explode(';', $expected)) as $one) {
            [$kind, $what] = explode(' ', "$one ", 2);
            match ($kind) {
                'leads' => self::assertSame(trim($what), $this->leader($pattern), $one),
                'none' => self::assertTrue($pattern->ofNone->leads, $this->leader($pattern)),
                'nothing' => self::assertLessThan(0.25, $pattern->shares()[0][1]),
                'no' => self::assertNotContains(
                    Role::Source, array_map(static fn (Candidate $candidate): Role => $candidate->role, $pattern->candidates),
                ),
                'whole' => self::assertSame(trim($what), $this->whole($case)),
                'chain' => self::assertContains(
                    trim($what), array_map(static fn (Chain $chain): string => $chain->kind, Core::clinic()->chains($case)),
                ),
                default => self::fail("\"$one\" says nothing that is known"),
            };
            self::assertTrue($kind === 'none' || ! $pattern->ofNone->leads || str_contains($expected, 'none leads'), 'none leads');
        }
    }

    /** @return iterable<string, list<string>> */
    public static function rows(): iterable
    {
        yield from Table::rows('pictures', 3);
    }

    private function leader(PatternResult $pattern): string
    {
        return $pattern->ofNone->leads
            ? 'none'
            : trim((string) preg_replace('/ +/', ' ', str_replace(['joint', ':'], ['', ' '], $pattern->shares()[0][0])));
    }

    private function whole(CaseFile $case): string
    {
        return Core::clinic()->wholePattern()->read($case)->busySide()->value ?? 'not enough';
    }
}
