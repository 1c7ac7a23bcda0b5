<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\JointStart;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Simulation\Rearranged;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCases;

/** What always holds of the ranking, tried on made-up assessments of every region. */
#[Group('properties'), Group('slow')]
final class RankingPropertiesTest extends TestCase
{
    /** One in so many joints is tried in each case. */
    private const JOINT_IN = 7;

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function cases(): iterable
    {
        return MadeUpCases::ofEveryRegion(4);
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_seen_in_a_mirror_every_left_is_a_right(array $case): void
    {
        $straight = $this->rank($case);
        $mirrored = Core::clinic()->rank(MadeUpCases::read(Rearranged::mirrored($case)));
        $other = $this->byKey($mirrored);
        foreach ($straight->candidates as $candidate) {
            $twin = $other[$candidate->at->mirrored()->key()];
            self::assertEqualsWithDelta($candidate->logOdds, $twin->logOdds, 1e-9, $candidate->name);
            self::assertEqualsWithDelta($candidate->support, $twin->support, 1e-9, $candidate->name);
            self::assertSame([$candidate->role, $candidate->triggerPoint], [$twin->role, $twin->triggerPoint], $candidate->name);
        }
        foreach ($straight->joints as $joint) {
            $twin = $mirrored->ofJoint(new JointAt($joint->at->joint, $joint->at->level, $joint->at->side->mirrored()));
            self::assertEqualsWithDelta($joint->logOdds, $twin?->logOdds, 1e-9, $joint->name);
            self::assertCount(count($joint->explains), $twin->explains ?? [], $joint->name);
        }
        self::assertEqualsWithDelta($straight->noneSupport, $mirrored->noneSupport, 1e-9);
        self::assertEqualsWithDelta(
            array_map(static fn ($check): float => $check->bits, array_slice($straight->nextChecks, 0, 3)),
            array_map(static fn ($check): float => $check->bits, array_slice($mirrored->nextChecks, 0, 3)), 1e-6,
        );
        self::assertSame($this->kinds($case), $this->kinds(Rearranged::mirrored($case)));
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_the_order_of_entry_changes_nothing(array $case): void
    {
        $clinic = Core::clinic();
        [$straight, $shuffled] = [MadeUpCases::read($case), MadeUpCases::read(Rearranged::shuffled($case))];
        $hash = static fn (mixed $result): string => hash('sha256', json_encode($result, JSON_THROW_ON_ERROR));

        self::assertSame($hash($clinic->rank($straight)->toArray()), $hash($clinic->rank($shuffled)->toArray()));
        self::assertSame($hash($clinic->worklist($straight)->toArray()), $hash($clinic->worklist($shuffled)->toArray()));
        $titles = static fn (array $chains): array => array_map(static fn (Chain $chain): string => $chain->title, $chains);
        self::assertSame($titles($clinic->chains($straight)), $titles($clinic->chains($shuffled)));
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_what_matches_never_lowers_and_what_contradicts_never_raises(array $case, string $region): void
    {
        $atlas = Core::clinic()->atlas();
        $at = new MuscleAt($atlas->region($region)->quickMuscles[0], Side::Left);
        $muscle = $atlas->muscle($at->muscle);
        $bare = $this->without($case, $at);
        $before = $this->oddsOf($bare, $at);
        $with = fn (string $list, array $entry): float => $this->oddsOf($this->and($bare, $list, $entry), $at);
        foreach ($muscle->lengthenedBy as $use) {
            $movement = $atlas->movement($use->movement);
            [, $side] = explode(':', $use->keyFor(Side::Left));
            $short = $movement->norm + ($movement->largerIsBetter ? -5 : 5) * $movement->measurementError;
            self::assertGreaterThanOrEqual(
                $before - 1e-9,
                $with(
                    'range',
                    [
                        'movement' => $movement->id, 'side' => $side, 'active' => max($movement->min, min($movement->max, $short)),
                        'pain' => 5,
                    ],
                ),
                "short and sore {$movement->id}",
            );
            self::assertLessThanOrEqual(
                $before + 1e-9, $with('range', ['movement' => $movement->id, 'side' => $side, 'passive' => $movement->norm, 'pain' => 0]),
                "free {$movement->id}",
            );
        }
        foreach ($muscle->actions as $use) {
            [, $side] = explode(':', $use->keyFor(Side::Left));
            self::assertGreaterThanOrEqual($before - 1e-9, $with('resisted', ['movement' => $use->movement, 'side' => $side, 'pain' => 6]));
            self::assertLessThanOrEqual(
                $before + 1e-9, $with('resisted', ['movement' => $use->movement, 'side' => $side, 'pain' => 0, 'strength' => 5]),
            );
        }
        foreach (array_filter($atlas->tests, static fn ($test): bool => in_array($at->muscle, $test->short, true)) as $test) {
            $worst = $test->largerIsBetter ? 0 : $test->max;
            self::assertGreaterThanOrEqual(
                $before - 1e-9, $with('tests', ['test' => $test->id, 'side' => 'left', 'value' => $worst]), $test->id,
            );
        }
        self::assertGreaterThanOrEqual(
            $before,
            $with(
                'palpation',
                ['muscle' => $at->muscle, 'side' => 'left', 'tenderness' => 4, 'texture' => ['taut_band'], 'familiar' => 'yes'],
            ),
        );
        self::assertLessThanOrEqual(
            $before,
            $with(
                'palpation',
                ['muscle' => $at->muscle, 'side' => 'left', 'tenderness' => 0, 'tone' => 'usual', 'texture' => [], 'familiar' => 'no'],
            ),
        );
        self::assertSame(
            $before, $with('palpation', ['muscle' => $at->muscle, 'side' => 'left', 'familiar' => 'unknown']), 'unknown is no evidence',
        );
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_a_stiff_joint_that_hurts_is_never_lowered_by_it_and_a_free_one_never_raised(array $case): void
    {
        unset($case['findings']['range'], $case['findings']['tests']);
        $rank = static fn (array $case): PatternResult => Core::clinic()->engine()->rank(MadeUpCases::read($case));
        foreach ($rank($case)->joints as $nth => $joint) {
            if ($nth % self::JOINT_IN !== 0) {
                continue;
            }
            $graded = array_filter($joint->at->joint->starts, static fn (JointStart $one): bool => $one->most !== null);
            $start = array_values($graded)[0] ?? null;
            if ($start === null || ($start->levels !== [] && ! in_array($joint->at->level, $start->levels, true))) {
                continue;
            }
            [$list, $entry] = $start->test === null
                ? ['range', ['movement' => $start->movement, 'side' => $joint->at->side->value]]
                : ['tests', ['test' => $start->test, 'side' => $joint->at->side->value, 'segment' => $joint->at->level]];
            $odds = fn (int $value, int $pain): float => $rank($this->and($case, $list, array_filter(
                [...$entry, $list === 'range' ? 'active' : 'value' => $value, 'pain' => $pain],
                static fn (mixed $one): bool => $one !== null,
            )))->ofJoint($joint->at)->logOdds ?? throw new \LogicException($joint->name);

            self::assertGreaterThan($joint->logOdds, $odds(0, 5), $joint->name);
            self::assertLessThan($joint->logOdds, $odds(3, 0), $joint->name);
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_a_far_finding_leaves_the_order_of_the_leaders(array $case, string $region): void
    {
        $far = in_array($region, ['leg_foot', 'knee', 'thigh', 'hip', 'low_back'], true) ? 'temporalis' : 'soleus';
        $leaders = static fn (PatternResult $pattern): array => array_map(
            static fn (Candidate $one): string => $one->at->key(), array_slice($pattern->candidates, 0, 5),
        );

        self::assertSame(
            $leaders($this->rank($case)),
            $leaders($this->rank($this->and(
                $case, 'palpation', ['muscle' => $far, 'side' => 'right', 'tenderness' => 1, 'tone' => 'usual'],
            ))),
        );
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_the_shares_are_one_distribution_and_the_next_checks_are_open(array $case): void
    {
        $pattern = $this->rank($case);
        self::assertEqualsWithDelta(1.0, $pattern->noneSupport + array_sum(array_column($pattern->shares(), 1)), 1e-9);
        $done = [];
        foreach ($case['findings']['tests'] ?? [] as $one) {
            $done["test:{$one['test']}:{$one['side']}"] = true;
        }
        foreach (['range' => 'movement', 'resisted' => 'movement', 'palpation' => 'muscle'] as $list => $name) {
            foreach ($case['findings'][$list] ?? [] as $one) {
                $done[($list === 'palpation' ? 'palpate' : $list).":{$one[$name]}:{$one['side']}"] = true;
            }
        }
        foreach ($pattern->nextChecks as $check) {
            self::assertArrayNotHasKey("{$check->kind}:{$check->id}:{$check->side->value}", $done);
            self::assertGreaterThan(0, $check->bits);
            self::assertGreaterThanOrEqual(0, $check->gain);
        }
    }

    public function test_without_evidence_nothing_stands_above_its_prior(): void
    {
        $pattern = Core::clinic()->rank(CaseBuilder::aCase()->make());
        $prior = Core::clinic()->figures()->prior;

        foreach ($pattern->candidates as $candidate) {
            self::assertSame($prior, $candidate->logOdds);
            self::assertSame([], $candidate->evidence());
        }
        foreach ($pattern->joints as $joint) {
            self::assertSame(Core::clinic()->figures()->jointPrior($joint->at->joint->levels !== []), $joint->logOdds);
            self::assertFalse($joint->isExamined());
        }
        self::assertSame([], Core::clinic()->chains(CaseBuilder::aCase()->make()));
    }

    public function test_a_pain_elsewhere_in_the_body_takes_nothing_from_who_explains_the_first(): void
    {
        $one = CaseBuilder::aCase()
            ->complaint('neck_side', 'left', 6)
            ->felt('levator_scapulae', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
            ->make();
        $two = CaseBuilder::aCase()
            ->complaint('neck_side', 'left', 6)
            ->complaint('calf_upper', 'right', 5)
            ->felt('levator_scapulae', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
            ->make();
        $at = new MuscleAt('levator_scapulae', Side::Left);

        self::assertSame(Core::clinic()->rank($one)->of($at)?->logOdds, Core::clinic()->rank($two)->of($at)?->logOdds);
        self::assertSame($at->key(), Core::clinic()->rank($two)->candidates[0]->at->key());
    }

    /** @param  array<string, mixed>  $case */
    private function rank(array $case): PatternResult
    {
        return Core::clinic()->rank(MadeUpCases::read($case));
    }

    /** @param  array<string, mixed>  $case */
    private function oddsOf(array $case, MuscleAt $at): float
    {
        return $this->rank($case)->of($at)->logOdds ?? throw new \LogicException($at->key());
    }

    /** @return array<string, Candidate> */
    private function byKey(PatternResult $pattern): array
    {
        $by = [];
        foreach ($pattern->candidates as $candidate) {
            $by[$candidate->at->key()] = $candidate;
        }

        return $by;
    }

    /**
     * @param  array<string, mixed>  $case
     * @return array<string, int>
     */
    private function kinds(array $case): array
    {
        return array_count_values(array_map(
            static fn (Chain $chain): string => $chain->kind, Core::clinic()->chains(MadeUpCases::read($case)),
        ));
    }

    /**
     * @param  array<string, mixed>  $case
     * @return array<string, mixed> without what was measured, and without that muscle felt
     */
    private function without(array $case, MuscleAt $at): array
    {
        unset($case['findings']['range'], $case['findings']['resisted'], $case['findings']['tests']);
        $case['findings']['palpation'] = array_values(array_filter(
            $case['findings']['palpation'],
            static fn (array $one): bool => [$one['muscle'], $one['side']] !== [$at->muscle, $at->side->value],
        ));

        return $case;
    }

    /**
     * @param  array<string, mixed>  $case
     * @param  array<string, mixed>  $entry
     * @return array<string, mixed>
     */
    private function and(array $case, string $list, array $entry): array
    {
        $case['findings'][$list][] = $entry;

        return $case;
    }
}
