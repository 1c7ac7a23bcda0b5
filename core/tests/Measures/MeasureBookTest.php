<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Measures;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class MeasureBookTest extends TestCase
{
    #[DataProvider('changes')]
    public function test_a_change_is_real_only_beyond_its_error(
        string $movement,
        string $side,
        float $first,
        float $last,
        string $verdict,
    ): void {
        $case = CaseBuilder::aCase()->range($movement, $side, ['active' => $last])->visited(
            '2026-02-20', ['findings' => ['range' => [['movement' => $movement, 'side' => $side, 'active' => $first]]]],
        );

        self::assertSame($verdict, $this->measure($case, "range.$movement.active")->verdict()->value);
    }

    /** @return iterable<string, array{string, string, float, float, string}> */
    public static function changes(): iterable
    {
        yield 'six degrees of the neck are noise' => ['cervical.rotation', 'left', 50, 56, 'no_real_change'];
        yield 'seven are real' => ['cervical.rotation', 'left', 50, 57, 'improved'];
        yield 'less is worse' => ['cervical.rotation', 'left', 60, 50, 'worse'];
        yield 'a shoulder needs five' => ['shoulder.flexion', 'left', 150, 155, 'improved'];
        yield 'finger to floor: less is better' => ['trunk.flexion', 'midline', 20, 15, 'improved'];
    }

    public function test_a_muscle_whose_tenderness_nobody_asked_has_no_measure_of_it(): void
    {
        $case = CaseBuilder::aCase()->felt('soleus', 'left', ['texture' => ['taut_band']])->felt('soleus', 'right', ['tenderness' => 0]);
        $of = static fn (string $key): array => array_values(array_filter(
            Core::clinic()->respond($case->make())->measures, static fn (Measure $one): bool => $one->key === $key,
        ));
        $sides = array_map(static fn (Measure $one): string => $one->side->value, $of('palpation.soleus.whole.tenderness'));

        self::assertSame(['right'], $sides);
    }

    public function test_one_reading_is_not_enough_and_a_missing_visit_is_missing(): void
    {
        $case = CaseBuilder::aCase()->range('cervical.rotation', 'left', ['active' => 50])->visited('2026-02-20', []);
        $measure = $this->measure($case, 'range.cervical.rotation.active');

        self::assertSame('not_enough', $measure->verdict()->value);
        self::assertSame([['2026-03-02', 50.0]], $measure->series);
        self::assertNull($measure->change());
    }

    public function test_repeats_set_the_error_when_there_are_any(): void
    {
        $case = CaseBuilder::aCase()->range('cervical.rotation', 'left', ['active' => 50, 'repeats' => [48, 50, 52]]);
        $measure = $this->measure($case, 'range.cervical.rotation.active');

        // SEM = 2, MDC95 = 1.96·√2·2
        self::assertSame('repeats', $measure->mdcFrom);
        self::assertEqualsWithDelta(5.5437, $measure->mdc, 1e-3);
    }

    public function test_repeats_that_happen_to_agree_prove_no_perfect_instrument(): void
    {
        $case = CaseBuilder::aCase()->range('cervical.rotation', 'left', ['active' => 50, 'repeats' => [50, 50, 50]]);
        $measure = $this->measure($case, 'range.cervical.rotation.active');

        self::assertSame('default', $measure->mdcFrom);
        self::assertSame(7.0, $measure->mdc);
    }

    public function test_one_repeat_sets_no_error(): void
    {
        $case = CaseBuilder::aCase()->range('cervical.rotation', 'left', ['active' => 50, 'repeats' => [50]]);

        self::assertSame('default', $this->measure($case, 'range.cervical.rotation.active')->mdcFrom);
    }

    public function test_a_task_that_nobody_scored_is_no_measure_and_repeats_are_of_the_active_movement(): void
    {
        $case = CaseBuilder::aCase()
            ->add('findings', 'function', ['task' => 'lift the rod'])
            ->add('findings', 'function', ['task' => 'look behind', 'score' => 4])
            ->range('cervical.rotation', 'left', ['active' => 50, 'passive' => 60, 'repeats' => [48, 50, 52]]);

        self::assertSame('default', $this->measure($case, 'range.cervical.rotation.passive')->mdcFrom);
        self::assertSame('repeats', $this->measure($case, 'range.cervical.rotation.active')->mdcFrom);
        $keys = array_map(static fn (Measure $one): string => $one->key, Core::clinic()->respond($case->make())->measures);
        self::assertContains('function.look behind', $keys);
        self::assertNotContains('function.lift the rod', $keys);
        self::assertNotContains('tasks.mean', $keys, 'one score is no mean');
    }

    public function test_what_came_from_a_stand_in_is_named_so_for_good(): void
    {
        $then = [['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 40, 'simulated' => true]];
        $now = CaseBuilder::aCase()->range('cervical.rotation', 'left', ['active' => 50]);
        self::assertStringEndsNotWith('(simulated)', $this->measure($now, 'range.cervical.rotation.active')->name);
        self::assertStringEndsWith(
            '(simulated)',
            $this->measure($now->visited('2026-02-20', ['findings' => ['range' => $then]]), 'range.cervical.rotation.active')->name,
        );
    }

    public function test_a_measure_is_told_with_three_places_at_most(): void
    {
        $case = CaseBuilder::aCase()->range('cervical.rotation', 'left', ['active' => 50, 'repeats' => [48, 50, 52]]);

        self::assertSame(5.544, $this->measure($case, 'range.cervical.rotation.active')->toArray()['mdc']);
    }

    private function measure(CaseBuilder $case, string $key): Measure
    {
        return array_values(array_filter(
            Core::clinic()->respond($case->make())->measures, static fn (Measure $measure): bool => $measure->key === $key,
        ))[0];
    }
}
