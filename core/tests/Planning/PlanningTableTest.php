<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Planning\Pass;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\Table;

/** The table of what limits a plan, row by row: its head says how a row is read. */
final class PlanningTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_the_plan_keeps_to_the_table(string $case, string $expected): void
    {
        $plan = Core::clinic()->plan($this->made($case)->make());

        foreach (array_map(trim(...), explode(';', $expected)) as $fact) {
            $this->holds($fact, $plan);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function rows(): iterable
    {
        yield from Table::rows('planning', 3);
    }

    private function holds(string $fact, PlanResult $plan): void
    {
        $treat = array_values(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat));
        $muscles = array_map(
            static fn (PlanStep $step): string => $step->otherSide ? '' : $step->at?->muscle.' '.$step->at?->side->value, $treat,
        );
        $names = array_map(static fn (string $one): string => explode(' ', $one)[0], $muscles);
        $left = [];
        foreach ($plan->leftOut as $one) {
            $left["{$one->at->muscle} {$one->reason->kind->value}"] = true;
        }
        $tools = array_map(static fn (PlanStep $step): ?string => $step->tool, $treat);
        $ways = array_map(static fn (PlanStep $step): ?string => $step->technique, $treat);
        $sides = array_map(static fn (PlanStep $step): string => $step->otherSide ? (string) $step->at?->muscle : '', $treat);
        [$what, $rest] = preg_match('/^(no tool|no way|no other side|no rests|other side|\S+) ?(.*)$/', $fact, $found) === 1
            ? [$found[1], $found[2]]
            : [$fact, ''];
        $shown = "$fact: ".implode(
            ', ', array_map(static fn (string $muscle, ?string $tool): string => "$muscle by $tool", $muscles, $tools),
        ).'; left out '.implode(', ', array_keys($left));
        match ($what) {
            'does' => self::assertContains($rest, str_contains($rest, ' ') ? $muscles : $names, $shown),
            'not' => self::assertNotContains($rest, $names, $shown),
            'leaves' => self::assertArrayHasKey($rest, $left, $shown),
            'tool' => self::assertContains($rest, $tools, $shown),
            'no tool' => self::assertNotContains($rest, $tools, $shown),
            'way' => self::assertContains($rest, $ways, $shown),
            'no way' => self::assertNotContains($rest, $ways, $shown),
            'rests' => $this->rests($plan->steps, $shown),
            'lean' => $this->leans((float) $rest, $treat),
            'lasts' => self::assertLessThanOrEqual((float) $rest, $plan->minutes(), $shown),
            'settles' => self::assertSame(
                [StepKind::Settle, StepKind::Aftercare], [$plan->steps[0]->kind, $plan->steps[count($plan->steps) - 1]->kind],
            ),
            'other side' => self::assertContains($rest, $sides, $shown),
            'no other side' => self::assertSame([''], array_values(array_unique($sides)), $shown),
            default => throw new \UnexpectedValueException("\"$fact\" expects nothing that is known"),
        };
    }

    /** @param  list<PlanStep>  $steps */
    private function rests(array $steps, string $shown): void
    {
        $deep = 0;
        foreach ($steps as $index => $step) {
            if ($step->kind === StepKind::Treat && ! $step->otherSide && (($step->ceiling->felt ?? 0) >= 7 || $step->minutes >= 8)) {
                $deep++;
                self::assertSame(StepKind::RestStroke, $steps[$index + 1]->kind ?? null, $shown);
            }
        }
        self::assertGreaterThan(0, $deep, "nothing deep was planned: $shown");
    }

    /** @param  list<PlanStep>  $treat */
    private function leans(float $most, array $treat): void
    {
        $leans = array_merge(
            [],
            ...array_map(
                static fn (PlanStep $step): array => array_map(static fn (Pass $pass): float => $pass->leanPercent, $step->passes), $treat,
            ),
        );
        self::assertNotSame([], $leans);
        self::assertLessThanOrEqual($most, max($leans));
    }

    private function made(string $facts): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        $since = [];
        foreach (array_map(trim(...), explode(';', $facts)) as $fact) {
            if (str_starts_with($fact, 'since ')) {
                $since = ['since' => (new \DateTimeImmutable('2026-03-02'))->modify('-'.substr($fact, 6).' days')->format('Y-m-d')];
            }
        }
        foreach (array_map(trim(...), explode(';', $facts)) as $fact) {
            [$what, $rest] = [...explode(' ', $fact, 2), ''];
            $words = explode(' ', $rest);
            $list = array_map(trim(...), explode(',', $rest));
            $one = ['muscle' => $words[0], 'side' => $words[1] ?? ''];
            match ($what) {
                'hurts' => $case->add(
                    'findings', 'complaints', ['zone' => $words[0], 'side' => $words[1], 'now' => (float) $words[2], ...$since],
                ),
                'sore' => $case->felt(
                    $words[0], $words[1], ['tenderness' => (int) $words[2], 'familiar' => 'yes', 'texture' => ['taut_band']],
                ),
                'agreed' => $case->agreed(...$list),
                'minutes' => $case->with(['session' => ['minutes' => (int) $rest]]),
                'lies' => $case->with(['session' => ['positions_possible' => $list]]),
                'stoic' => $case->with(['client' => ['stoic' => true]]),
                'bears' => $case->add(
                    'findings', 'feedback',
                    ['zone' => $words[2], 'side' => 'left', 'kpa' => (float) $words[0], 'felt' => (float) $words[1]],
                ),
                'treats' => $case->with(['therapist' => ['experience' => $rest]]),
                'weighs' => $case->with(['therapist' => ['mass_kg' => (float) $rest]]),
                'injured' => $case->with(['therapist' => ['injured' => $list]]),
                'owns' => $case->with(['therapist' => ['tools' => $list]]),
                'used' => $case->with(['therapist' => ['load_today' => [$words[0] => (float) $words[1]]]]),
                'budget' => $case->with(['therapist' => ['budgets' => [$words[0] => ['day' => (float) $words[1]]]]]),
                'off' => $case->with(['therapist' => ['scope_off' => $list]]),
                'school' => $case->with(['session' => ['school' => [$words[0] => $words[1]]]]),
                'drop' => $case->with(['session' => ['dropped' => [$one]]]),
                'lock' => $case->with(['session' => ['targets' => [[...$one, 'lock' => true]]]]),
                'stopped' => $case->with(['session' => ['done_steps' => [[...$one, 'minutes' => 2, 'stopped' => true]]]]),
                'since' => null,
                default => throw new \UnexpectedValueException("\"$fact\" says nothing that is known"),
            };
        }

        return $case;
    }
}
