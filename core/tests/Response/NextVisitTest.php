<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Response;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Tests\Support\Core;

/** When to come again and for how long: a table a clinician can read, and that no alarm ever brings a visit nearer. */
final class NextVisitTest extends TestCase
{
    private const CASE = [
        'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-20', 'client' => ['age' => 40],
        'health' => ['others_denied' => true], 'session' => ['minutes' => 60],
        'findings' => ['complaints' => [['zone' => 'shoulder_top', 'side' => 'left', 'now' => 5]]],
    ];

    /**
     * @param  array<string, mixed>  $case
     * @param  array{int|null, int|null, string}  $expected
     */
    #[DataProvider('visits')]
    public function test_the_most_careful_reason_decides(array $case, ?float $worth, array $expected): void
    {
        $next = Core::clinic()->nextVisit(Core::case([...self::CASE, ...$case]), $worth);

        self::assertSame($expected, [$next->days, $next->minutes, $next->reason]);
        self::assertMatchesRegularExpression('/^\p{Lu}.*\.$/u', $next->because);
    }

    /** @return iterable<string, array{array<string, mixed>, float|null, array{int|null, int|null, string}}> */
    public static function visits(): iterable
    {
        $before = static fn (float $pain, array $aftermath = []): array => ['history' => [array_filter([
            'date' => '2026-03-10', 'findings' => ['complaints' => [['zone' => 'shoulder_top', 'side' => 'left', 'now' => $pain]]],
            'done' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'minutes' => 6, 'max_pressure' => 5]],
            'aftermath' => $aftermath,
        ])]];
        $after = static fn (array $said): array => [['hours' => 48, ...$said]];
        $flag = static fn (string $flag): array => ['health' => ['others_denied' => true, 'red_flags' => [$flag => 'yes']]];
        yield 'a first visit' => [[], null, [7, 60, 'first']];
        yield 'a first visit of which 25 minutes were worth working' => [[], 25.0, [7, 30, 'first']];
        yield 'of which 31 were' => [[], 31.0, [7, 45, 'first']];
        yield 'a plan never asks for more than today' => [[], 75.0, [7, 60, 'first']];
        yield 'really easing' => [$before(8, $after(['soreness_hours' => 0, 'worse' => false])), null, [12, 60, 'easing']];
        yield 'no real change' => [$before(5, $after(['soreness_hours' => 0, 'worse' => false])), null, [7, 60, 'usual']];
        yield 'worse by measure is not easing' => [$before(2, $after(['soreness_hours' => 0])), null, [7, 60, 'usual']];
        yield 'sore for exactly two days is no longer pause' => [$before(5, $after(['soreness_hours' => 48])), null, [7, 60, 'usual']];
        yield 'sore for more' => [$before(5, [['hours' => 72, 'soreness_hours' => 49]]), null, [9, 45, 'sore']];
        yield 'worse afterwards, though it measures better' => [$before(8, $after(['worse' => true])), null, [9, 45, 'sore']];
        yield 'short already' => [[...$before(5, $after(['worse' => true])), 'session' => ['minutes' => 30]], null, [9, 30, 'sore']];
        yield 'acute' => [['findings' => [
            ...self::CASE['findings'], 'palpation' => [
                ['muscle' => 'trapezius_upper', 'side' => 'left', 'tenderness' => 4, 'texture' => ['warm', 'swollen']],
            ],
        ]], null, [4, 45, 'acute']];
        yield 'to a doctor' => [$flag('night_pain_unrelenting'), null, [null, null, 'doctor']];
        yield 'emergency' => [$flag('saddle_numbness'), null, [null, null, 'doctor']];
        yield 'not today' => [$flag('fever_or_infection_today'), null, [3, 60, 'deferred']];
    }
}
