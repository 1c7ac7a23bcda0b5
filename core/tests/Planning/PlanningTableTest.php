<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\Pass;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\Table;
use Somatrace\Core\Tests\Support\TableCase;

/** The table of what limits a plan, row by row: its head says how a row is read. */
final class PlanningTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_the_plan_keeps_to_the_table(string $case, string $expected): void
    {
        $plan = Core::clinic()->plan(TableCase::of($case)->make());

        foreach (array_map(trim(...), explode(';', $expected)) as $fact) {
            $this->holds($fact, $plan);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function rows(): iterable
    {
        yield from Table::rows('planning', 3);
        yield from Table::rows('handwork', 3);
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
            $left[($one->at->muscle ?? preg_replace('/^joint:|:(left|right)$/', '', $one->key))." {$one->reason->kind->value}"] = true;
        }
        $done = array_merge(...array_map(static fn (PlanStep $step): array => $step->manoeuvres, $treat));
        $tools = array_map(static fn (Manoeuvre $one): string => $one->tool, $done);
        $ways = array_map(static fn (Manoeuvre $one): string => $one->technique, $done);
        $joints = array_map(
            static fn (PlanStep $step): string => $step->joint === null
                ? ''
                : "{$step->joint->joint->id} {$step->joint->level} {$step->joint->side->value}",
            $treat,
        );
        $kinds = static fn (StepKind $kind): array => array_values(array_filter(
            $plan->steps, static fn (PlanStep $step): bool => $step->kind === $kind,
        ));
        $sides = array_map(static fn (PlanStep $step): string => $step->otherSide ? (string) $step->at?->muscle : '', $treat);
        [$what, $rest] = preg_match(
            '/^(no tool|no way|no setup|no other side|no rests|no step|no joint|no again|other side|\S+) ?(.*)$/', $fact, $found,
        ) === 1
            ? [$found[1], $found[2]]
            : [$fact, ''];
        $shown = "$fact: ".implode(', ', array_map(
            static fn (PlanStep $step): string => "{$step->label} {$step->position} (".implode(', ', array_map(
                static fn (Manoeuvre $one): string => "{$one->technique} {$one->tool} {$one->pressure}", $step->manoeuvres,
            )).')', $treat,
        )).'; left out '.implode(', ', array_keys($left));
        match ($what) {
            'does' => self::assertContains($rest, str_contains($rest, ' ') ? $muscles : $names, $shown),
            'not' => self::assertNotContains($rest, $names, $shown),
            'leaves' => self::assertArrayHasKey($rest, $left, $shown),
            'tool' => self::assertContains($rest, $tools, $shown),
            'no tool' => self::assertNotContains($rest, $tools, $shown),
            'way' => self::assertContains($rest, $ways, $shown),
            'step' => self::assertContains(
                $rest, array_map(static fn (PlanStep $step): ?string => $step->technique, $plan->steps), $shown,
            ),
            'no step' => self::assertNotContains(
                $rest, array_map(static fn (PlanStep $step): ?string => $step->technique, $plan->steps), $shown,
            ),
            'no way' => self::assertNotContains($rest, $ways, $shown),
            'joint' => self::assertContains($rest, $joints, $shown),
            'no joint' => self::assertSame([], array_filter($joints), $shown),
            'feels' => self::assertContains(
                $rest, array_map(static fn (PlanStep $step): ?string => $step->at?->muscle, $kinds(StepKind::Feel)), $shown,
            ),
            'soothes' => self::assertContains($rest, array_merge(...array_map(
                static fn (PlanStep $step): array => array_map(static fn ($place): string => $place->zone, $step->places),
                $kinds(StepKind::Soothe),
            )), $shown),
            'cold' => self::assertNotSame([], $kinds(StepKind::Cold), $shown),
            'lies' => self::assertContains($rest, array_map(static fn (PlanStep $step): string => $step->position, $treat), $shown),
            'setup' => self::assertContains($rest, array_map(static fn (Manoeuvre $one): string => $one->setup['id'] ?? '', $done), $shown),
            'no setup' => self::assertNotContains(
                $rest, array_map(static fn (Manoeuvre $one): string => $one->setup['id'] ?? '', $done), $shown,
            ),
            'spot' => self::assertContains(
                $rest, array_merge(...array_map(static fn (Manoeuvre $one): array => $one->spots, $done)), $shown,
            ),
            'says' => self::assertStringContainsString(
                $rest, implode(' ', array_map(static fn (Manoeuvre $one): string => (string) $one->say, $done)), $shown,
            ),
            'tells' => self::assertStringContainsString($rest, $plan->headline, $shown),
            'ends' => self::assertStringContainsString($rest, implode(' ', array_map(
                static fn (PlanStep $one): string => (string) $one->why,
                array_filter($plan->steps, static fn (PlanStep $one): bool => $one->kind === StepKind::Finish),
            )), $shown),
            'most' => self::assertLessThanOrEqual(
                (float) $rest, max([0, ...array_map(static fn (Manoeuvre $one): float => $one->pressure ?? 0, $done)]), $shown,
            ),
            'firm' => self::assertLessThanOrEqual(
                (float) explode(' ', $rest)[1] + 1e-9, $this->firm(explode(' ', $rest)[0], $done) / 60, $shown,
            ),
            'total' => self::assertLessThanOrEqual((float) explode(' ', $rest)[1], array_sum(array_map(
                static fn (PlanStep $step): float => in_array($step->at?->muscle, explode(',', explode(' ', $rest)[0]), true)
                    ? $step->minutes
                    : 0.0,
                $treat,
            )), $shown),
            'before' => $this->comesBefore($treat, ...explode(' ', $rest)),
            'only' => self::assertSame([], array_diff($ways, array_map(trim(...), explode(',', $rest))), $shown),
            'again' => self::assertContains(
                $rest, array_map(static fn (PlanStep $step): string => $step->check['id'] ?? '', $kinds(StepKind::Recheck)), $shown,
            ),
            'no again' => self::assertNotContains(
                $rest, array_map(static fn (PlanStep $step): string => $step->check['id'] ?? '', $kinds(StepKind::Recheck)), $shown,
            ),
            'once', 'twice' => self::assertCount($what === 'once' ? 1 : 2, array_filter(
                $kinds(StepKind::Recheck), static fn (PlanStep $step): bool => ($step->check['id'] ?? '') === $rest,
            ), $shown),
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

    /** @param  list<Manoeuvre>  $done */
    private function firm(string $part, array $done): float
    {
        return array_sum(array_map(
            static fn (Manoeuvre $one): float => ($one->pressure ?? 0) >= 5 && Core::clinic()->atlas()->tool($one->tool)->costs === $part
                ? $one->totalSeconds()
                : 0.0,
            $done,
        ));
    }

    /** @param  list<PlanStep>  $treat */
    private function comesBefore(array $treat, string $first, string $second): void
    {
        $at = static fn (string $name): int => array_key_first(array_filter(
            $treat, static fn (PlanStep $step): bool => in_array($name, [$step->at?->muscle, $step->joint?->joint->id], true),
        )) ?? PHP_INT_MAX;

        self::assertLessThan(PHP_INT_MAX, $at($second), "$second is not worked");
        self::assertLessThan($at($second), $at($first), "$first comes before $second");
    }

    /**
     * Never more than three minutes of deep work without a broad stroke or a pause.
     *
     * @param  list<PlanStep>  $steps
     */
    private function rests(array $steps, string $shown): void
    {
        $deep = $all = 0.0;
        foreach ($steps as $step) {
            if ($step->kind !== StepKind::Treat) {
                $deep = 0.0;
            }
            foreach ($step->manoeuvres as $one) {
                $deep += ($one->pressure ?? 0) >= 5 ? $one->totalSeconds() : 0;
                $all += ($one->pressure ?? 0) >= 5 ? $one->totalSeconds() : 0;
            }
            self::assertLessThanOrEqual(180, $deep, $shown);
        }
        self::assertGreaterThan(180, $all, "not enough deep work was planned: $shown");
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
}
