<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\ReasonKind;
use Somatrace\Core\Planning\LeftOut;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What was found is worked where it may be, and else left out with the reason that is true. */
final class LeftForNothingTest extends TestCase
{
    private const TENDER = ['tenderness' => 3, 'familiar' => 'no', 'texture' => ['taut_band']];

    /** Every muscle has a way at the first visit, or waits for a check: none is left out because its own techniques do not fit. */
    #[DataProvider('muscles')]
    public function test_every_muscle_has_a_way_at_the_first_visit(string $muscle): void
    {
        $felt = $muscle === 'thoracolumbar_fascia' ? ['tenderness' => 2, 'texture' => ['stuck_layers']] : self::TENDER;
        $case = CaseBuilder::aCase()->felt($muscle, 'left', $felt)->agreed(...array_keys(Core::clinic()->atlas()->consentAreas))
            ->with(['therapist' => ['experience' => 'advanced'], 'session' => ['minutes' => 90]]);
        $plan = Core::clinic()->plan($case->make());

        $why = self::why($plan, "$muscle:left");
        self::assertTrue(
            in_array("$muscle:left", self::targets($plan), true) || ($why[1] ?? null) === ReasonKind::CheckFirst, json_encode($why) ?: '',
        );
    }

    /** @return iterable<string, array{string}> */
    public static function muscles(): iterable
    {
        foreach (Core::clinic()->atlas()->muscles as $muscle) {
            yield $muscle->id => [$muscle->id];
        }
    }

    public function test_what_is_not_agreed_says_so_and_not_that_no_technique_is_left(): void
    {
        $plan = Core::clinic()->plan(CaseBuilder::aCase()->felt('pectoralis_minor', 'left', self::TENDER)->make());

        self::assertSame(['chest_wall', ReasonKind::Consent], self::why($plan, 'pectoralis_minor:left'));
    }

    /** Of very many found the first are weighed against each other; what was chosen by hand is among them whatever it is worth. */
    public function test_of_more_than_a_visit_holds_the_rest_is_named_and_what_was_chosen_is_in(): void
    {
        $figures = PlanFigures::load(dirname(__DIR__, 2).'/data');
        $case = CaseBuilder::aCase()->complaint('low_back', 'left', 6);
        $legs = array_filter(Core::clinic()->atlas()->muscles, static fn ($one): bool => $one->consent === null && ! $one->advanced);
        foreach (array_slice(array_keys($legs), 0, 30) as $muscle) {
            $case->felt($muscle, 'left', self::TENDER);
        }
        $case->with([
            'session' => ['minutes' => 30, 'targets' => [['muscle' => 'tibialis_anterior', 'side' => 'right', 'lock' => true]]],
        ]);
        $plan = Core::clinic()->plan($case->make());
        $rest = array_filter(
            $plan->leftOut, static fn (LeftOut $one): bool => str_starts_with($one->toArray()['because'], 'More was found'),
        );

        self::assertSame(10, $figures->mostFound(30));
        self::assertSame(23, $figures->mostFound(90), 'one for so many minutes');
        self::assertContains('tibialis_anterior:right', self::targets($plan));
        self::assertGreaterThan(10, count($rest));
        self::assertLessThanOrEqual(11, count($plan->targets));
    }

    /** @return list<string> */
    private static function targets(PlanResult $plan): array
    {
        return array_map(static fn (array $one): string => "{$one['muscle']}:{$one['side']}", array_values(array_filter(
            $plan->targets, static fn (array $one): bool => isset($one['muscle']),
        )));
    }

    /** @return array{string, ReasonKind}|null */
    private static function why(PlanResult $plan, string $key): ?array
    {
        foreach ($plan->leftOut as $one) {
            if ($one->key === $key) {
                return [$one->reason->id, $one->reason->kind];
            }
        }

        return null;
    }
}
