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
        [$what, $rest] = preg_match('/^(no tool|no way|no other side|no rests|no joint|other side|\S+) ?(.*)$/', $fact, $found) === 1
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
            'spot' => self::assertContains(
                $rest, array_merge(...array_map(static fn (Manoeuvre $one): array => $one->spots, $done)), $shown,
            ),
            'says' => self::assertStringContainsString(
                $rest, implode(' ', array_map(static fn (Manoeuvre $one): string => (string) $one->say, $done)), $shown,
            ),
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
            $known = $what === 'known' ? $case->toArray()['exposure'] ?? [] : [];
            match ($what) {
                'hurts' => $case->add(
                    'findings', 'complaints', ['zone' => $words[0], 'side' => $words[1], 'now' => (float) $words[2], ...$since],
                ),
                'sore' => $case->felt(
                    $words[0], $words[1], ['tenderness' => (int) $words[2], 'familiar' => 'yes', 'texture' => ['taut_band']],
                ),
                'felt' => $case->felt($words[0], $words[1], ['tenderness' => (int) $words[2]]),
                'stuck' => $case->felt($words[0], $words[1], ['tenderness' => 2, 'texture' => ['stuck_layers']]),
                'spasm' => $case->felt($words[0], $words[1], ['tenderness' => 3, 'tone' => 'spasm']),
                'known' => $case->with(['exposure' => [...$known, [...$one, 'visits' => (int) $words[2]]]]),
                'spring' => $case->add(
                    'findings', 'tests',
                    [
                        'test' => 'segment_spring', 'segment' => $words[0], 'side' => $words[1], 'value' => (float) $words[2],
                        ...isset($words[3]) ? ['end_feel' => $words[3]] : [],
                    ],
                ),
                'neck' => array_reduce(['left', 'right'], static fn (CaseBuilder $one, string $side): CaseBuilder => $one->add(
                    'findings', 'tests', ['test' => 'positional_artery', 'side' => $side, 'result' => 'negative', 'seconds' => 30],
                ), $case->add('findings', 'tests', ['test' => 'cervical_compression', 'side' => 'midline', 'result' => 'negative'])),
                'test' => $case->add('findings', 'tests', ['test' => $words[0], 'side' => $words[1], 'value' => (float) $words[2]]),
                'moves' => $case->range(
                    $words[0], $words[1], ['passive' => (float) $words[2], ...isset($words[3]) ? ['end_feel' => $words[3]] : []],
                ),
                'has' => $case->condition($words[0], [
                    ...in_array($words[1] ?? '', ['acute', 'subacute', 'late', 'settled'], true)
                        ? ['stage' => $words[1], 'severity' => 'mild']
                        : ['severity' => $words[1] ?? 'mild'],
                    ...isset($words[3]) ? ['zones' => [['zone' => $words[2], 'side' => $words[3]]]] : [],
                ]),
                'tingles' => $case->add(
                    'findings', 'complaints', ['zone' => $words[0], 'side' => $words[1], 'now' => 4, 'qualities' => ['tingling']],
                ),
                'aged' => $case->aged((int) $rest),
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
