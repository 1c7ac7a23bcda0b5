<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** One more danger never loosens a limit and never lowers a verdict; unknown is at least as careful as no. */
#[Group('properties')]
final class MonotoneSafetyTest extends TestCase
{
    private const ORDER = ['settled', 'late', 'subacute', 'acute'];

    #[DataProvider('flags')]
    public function test_a_flag_is_never_safer_than_its_absence(string $flag): void
    {
        $background = static fn (): CaseBuilder => CaseBuilder::aCase()->condition(
            'osteoporosis', ['severity' => 'moderate', 'stage' => 'late'],
        )->flag('numb_face');
        $results = array_map(
            fn (string $answer): SafetyResult => Core::clinic()->screen($background()->flag($flag, $answer)->make()),
            ['no', 'unknown', 'yes'],
        );

        $this->assertNotLooser($results[0], $results[1]);
        $this->assertNotLooser($results[0], $results[2]);
        self::assertContains($flag, array_column($results[1]->toArray()['questions'], 'id'));
    }

    /** @return iterable<string, array{string}> */
    public static function flags(): iterable
    {
        foreach (array_keys(Core::clinic()->rules()->flags->flags) as $flag) {
            yield $flag => [$flag];
        }
    }

    #[DataProvider('conditions')]
    public function test_worse_or_fresher_is_never_looser(string $condition): void
    {
        $screen = static fn (array $details): SafetyResult => Core::clinic()->screen(
            CaseBuilder::aCase()->condition($condition, ['zones' => [['zone' => 'shoulder_outer', 'side' => 'right']], ...$details])
                ->make(),
        );
        foreach (self::ORDER as $index => $stage) {
            foreach (['mild', 'moderate', 'severe'] as $rank => $severity) {
                $here = $screen(['severity' => $severity, 'stage' => $stage]);
                if ($index > 0) {
                    $this->assertNotLooser(
                        $screen(['severity' => $severity, 'stage' => self::ORDER[$index - 1]]), $here, "$severity $stage",
                    );
                }
                if ($rank > 0) {
                    $this->assertNotLooser(
                        $screen(['severity' => ['mild', 'moderate'][$rank - 1], 'stage' => $stage]), $here, "$severity $stage",
                    );
                }
            }
        }
    }

    #[DataProvider('conditions')]
    public function test_a_nearer_date_is_never_looser(string $condition): void
    {
        $earlier = null;
        foreach (['2022-01-01', '2025-08-01', '2025-12-20', '2026-01-25', '2026-02-20', '2026-03-01'] as $since) {
            $result = Core::clinic()->screen(
                CaseBuilder::aCase()->condition(
                    $condition, ['severity' => 'moderate', 'since' => $since, 'zones' => [['zone' => 'shoulder_outer', 'side' => 'right']]],
                )->make(),
            );
            if ($earlier !== null) {
                $this->assertNotLooser($earlier, $result, $since);
            }
            $earlier = $result;
        }
        self::assertNotNull($earlier);
    }

    #[DataProvider('conditions')]
    public function test_an_unknown_condition_is_at_least_as_careful_as_none_and_is_asked(string $condition): void
    {
        $no = Core::clinic()->screen(CaseBuilder::aCase()->condition($condition, ['answer' => 'no'])->make());
        $unknown = Core::clinic()->screen(CaseBuilder::aCase()->condition($condition, ['answer' => 'unknown'])->make());

        $this->assertNotLooser($no, $unknown);
        self::assertContains("condition.$condition", array_column($unknown->toArray()['questions'], 'id'));
    }

    /** @return iterable<string, array{string}> */
    public static function conditions(): iterable
    {
        foreach (array_keys(Core::clinic()->rules()->conditions) as $condition) {
            yield $condition => [$condition];
        }
    }

    private function assertNotLooser(SafetyResult $before, SafetyResult $after, string $where = ''): void
    {
        self::assertGreaterThanOrEqual($before->verdict->strength(), $after->verdict->strength(), "verdict $where");
        $now = [];
        foreach ($after->limits->all() as $limit) {
            $now[$limit->key()] = $limit;
        }
        foreach ($before->limits->all() as $limit) {
            self::assertTrue($this->stillHolds($limit, $now), "{$limit->key()} was loosened $where");
        }
    }

    /** @param  array<string, Limit>  $now */
    private function stillHolds(Limit $limit, array $now): bool
    {
        $same = $now[$limit->key()] ?? null;
        if ($same !== null) {
            return ! $limit->effect->isFigure() || (float) $same->value <= (float) $limit->value;
        }

        // an open question may close when the answer is in, and a written limit may grow into a stricter kind
        return $limit->effect === Effect::CheckFirst;
    }
}
