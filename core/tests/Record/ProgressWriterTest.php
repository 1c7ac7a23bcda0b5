<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Record;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Measures\MeasureVerdict;
use Somatrace\Core\Record\ProgressReport;
use Somatrace\Core\Record\ProgressWriter;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Record\Wording;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCourses;

/** Progress reports printed and read, for the client and for a doctor, and what holds of every report. */
final class ProgressWriterTest extends TestCase
{
    private const GOLDEN = __DIR__.'/../golden/reports';

    /** What no reader should meet. */
    private const NEVER = '/_|\bnull\b|\bArray\b|\d\.\d{2}|:\s*[.;,]|,\s*[.;,]|\(\s*\)|\.\.|  |\b0 min\b|^\s*[.;:,]|, midline\b|NAN|INF|\bmdc\b/u';

    #[DataProvider('golden')]
    public function test_a_report_reads_as_it_was_read(string $name, CaseFile $case): void
    {
        $text = "for the client\n\n".self::text(self::report($case, true))."\n\nfor a doctor\n\n".self::text(self::report($case, false));
        $path = self::GOLDEN."/$name.txt";
        if (getenv('GOLDEN') === 'write') {
            file_put_contents($path, $text);
        }

        self::assertStringEqualsFile($path, $text);
    }

    /** @return iterable<string, array{string, CaseFile}> */
    public static function golden(): iterable
    {
        foreach (glob(__DIR__.'/../fixtures/cases/*.json') ?: [] as $path) {
            $name = basename($path, '.json');
            $case = Core::example($name);
            if ($case->history !== []) {
                yield $name => [$name, $case];
            }
        }
        $courses = self::courses();
        foreach ([0, 9, 18] as $index) {
            yield "made-up-$index" => ["made-up-$index", $courses[$index]];
        }
    }

    public function test_of_every_course_no_report_has_a_word_that_is_none_and_each_change_is_told_once(): void
    {
        foreach (self::courses() as $index => $case) {
            foreach ([true, false] as $toClient) {
                $report = self::report($case, $toClient);
                $text = self::text($report);
                foreach (explode("\n", $text) as $line) {
                    self::assertDoesNotMatchRegularExpression(self::NEVER, $line, "$index");
                }
                $names = array_column($report->changes, 'name');
                self::assertSame($names, array_values(array_unique($names)), "$index");
                self::assertSame([], array_intersect($names, $report->once), "$index");
                if ($toClient) {
                    self::assertDoesNotMatchRegularExpression('/the client|Seen \d/', $text, 'the client is spoken to');
                }
            }
        }
    }

    public function test_what_got_worse_is_told_first_and_counted_as_it_is_judged(): void
    {
        $told = 0;
        foreach (self::courses() as $case) {
            $ranks = array_map(
                static fn (array $one): int => MeasureVerdict::from($one['verdict'])->rank(), self::report($case, true)->changes,
            );
            $sorted = $ranks;
            sort($sorted);
            self::assertSame($sorted, $ranks);
            $told += count(array_unique($ranks)) > 1 ? 1 : 0;
        }
        self::assertGreaterThan(3, $told, 'courses with better and worse are among them');
    }

    private static function report(CaseFile $case, bool $toClient): ProgressReport
    {
        $terms = new Terms(Core::clinic()->atlas(), $toClient ? Wording::Plain : Wording::Both, toClient: $toClient);

        return (new ProgressWriter($terms, $toClient))->of($case, Core::clinic()->respond($case), []);
    }

    private static function text(ProgressReport $report): string
    {
        return implode("\n", [
            ...$report->summary, '',
            ...array_map(
                static fn (array $one): string => "{$one['name']}: {$one['first']} ({$one['from']}), {$one['last']} ({$one['to']}), {$one['words']}",
                $report->changes,
            ),
            ...$report->once === [] ? [] : ['Measured once: '.implode('; ', $report->once)], '',
            ...$report->goals, '',
            ...array_map(static fn (array $one): string => "{$one['name']}, {$one['words']}", $report->worked), '',
            ...$report->helped, '', ...$report->ahead,
        ]);
    }

    /** @return list<CaseFile> */
    private static function courses(): array
    {
        return array_values(array_filter(
            array_map(static fn (array $one): CaseFile => Core::case($one[0]), array_values(MadeUpCourses::ofEveryRegion(4))),
            static fn (CaseFile $case): bool => $case->history !== [],
        ));
    }
}
