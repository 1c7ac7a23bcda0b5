<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;
use Somatrace\Core\Simulation\Rearranged;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCases;
use Somatrace\Core\Tests\Support\MadeUpCourses;

/** What always holds, tried on many made-up cases. */
#[Group('properties')]
final class PropertiesTest extends TestCase
{
    /** @var array<string, PlanResult> by case: one plan is asked about much */
    private static array $planned = [];

    public static function tearDownAfterClass(): void
    {
        self::$planned = [];
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function cases(): iterable
    {
        yield from MadeUpCases::many(26);
        yield from self::courses(2);
    }

    /** @return iterable<string, array{array<string, mixed>}> those who are treated at all */
    private static function courses(int $each): iterable
    {
        foreach (MadeUpCourses::ofEveryRegion($each) as $name => [$case]) {
            if (Core::clinic()->screen(MadeUpCases::read($case))->verdict->allowsTreatment()) {
                yield $name => [$case];
            }
        }
    }

    /** What is never reached is never tried: a property that holds of clients without limits says nothing of limits. */
    #[Group('slow')]
    public function test_the_made_up_clients_come_to_every_limit(): void
    {
        $caps = [];
        $left = [];
        $kinds = [];
        // some of them are seldom met: one draw of courses does not come to all
        $courses = static fn (int $each): array => array_values(iterator_to_array(self::courses($each)));
        foreach ([...MadeUpCases::many(10), ...$courses(7), ...$courses(10), ...$courses(5), ...$courses(12)] as [$case]) {
            $plan = self::planned($case);
            foreach ($plan->leftOut as $one) {
                $left[$one->reason->kind->value] = true;
            }
            foreach ($plan->steps as $step) {
                $kinds[$step->kind->value] = true;
                // the lowest decides
                foreach ($step->manoeuvres as $one) {
                    $caps += array_fill_keys($one->ceiling === null ? [] : [$one->ceiling->caps[0]->id], true);
                }
            }
        }

        self::assertEqualsCanonicalizing(
            [
                'first_time', 'hands', 'joint', 'last_response', 'no_harder', 'other_side', 'part', 'routine', 'safety', 'school',
                'stoic', 'stretch', 'technique', 'tissue', 'tolerance', 'tool',
            ],
            array_keys($caps),
        );
        self::assertEqualsCanonicalizing(
            [
                'ceiling', 'check_first', 'consent', 'course', 'limit', 'minutes', 'position', 'quiet', 'tool', 'training', 'unfelt',
                'worth',
            ],
            array_keys($left),
        );
        self::assertEqualsCanonicalizing(
            [
                'settle', 'warm_up', 'cold', 'feel', 'treat', 'soothe', 'rest_stroke', 'hygiene', 'position', 'recheck', 'finish',
                'aftercare',
            ],
            array_keys($kinds),
        );
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    #[Group('slow')]
    public function test_a_mirrored_case_has_a_mirrored_ranking_and_an_equal_plan(array $case): void
    {
        $clinic = Core::clinic();
        $straight = MadeUpCases::read($case);
        $mirrored = MadeUpCases::read(Rearranged::mirrored($case));
        $other = [];
        foreach ($clinic->rank($mirrored)->candidates as $candidate) {
            $other[$candidate->at->mirrored()->key()] = $candidate;
        }

        foreach ($clinic->rank($straight)->candidates as $candidate) {
            self::assertEqualsWithDelta($candidate->logOdds, $other[$candidate->at->key()]->logOdds, 1e-9, $candidate->name);
            self::assertSame($candidate->role, $other[$candidate->at->key()]->role, $candidate->name);
        }
        $plan = self::planned($case);
        $across = $clinic->plan($mirrored);
        self::assertEqualsWithDelta($plan->benefit, $across->benefit, 1e-9);
        self::assertSame($plan->turns, $across->turns);
        self::assertSame($this->minutesBy($plan, false), $this->minutesBy($across, true));
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_the_order_of_entry_changes_nothing(array $case): void
    {
        $clinic = Core::clinic();
        $straight = MadeUpCases::read($case);
        $shuffled = MadeUpCases::read(Rearranged::shuffled($case));

        // hashes, so that a failure does not print two whole results
        $hash = static fn (array $result): string => hash('sha256', json_encode($result, JSON_THROW_ON_ERROR));
        self::assertSame($hash($clinic->screen($straight)->toArray()), $hash($clinic->screen($shuffled)->toArray()), 'screen');
        self::assertSame($hash($clinic->rank($straight)->toArray()), $hash($clinic->rank($shuffled)->toArray()), 'rank');
        self::assertSame($hash(self::planned($case)->toArray()), $hash($clinic->plan($shuffled)->toArray()), 'plan');
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_the_shares_are_one_distribution(array $case): void
    {
        $pattern = Core::clinic()->rank(MadeUpCases::read($case));

        self::assertEqualsWithDelta(1.0, $pattern->noneSupport + array_sum(array_column($pattern->shares(), 1)), 1e-9);
        foreach ($pattern->candidates as $candidate) {
            $sum = array_sum(array_map(static fn ($evidence): float => $evidence->weight, $candidate->evidence()));
            self::assertEqualsWithDelta(
                $candidate->logOdds - $sum,
                $pattern->candidates[0]->logOdds - array_sum(array_map(
                    static fn ($evidence): float => $evidence->weight, $pattern->candidates[0]->evidence(),
                )),
                1e-9, 'each share explains itself down to one prior',
            );
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_matching_evidence_never_lowers_and_contradicting_never_raises(array $case): void
    {
        $before = Core::clinic()->rank(MadeUpCases::read($case));
        $at = $before->candidates[5]->at;
        $found = static fn (array $details): array => array_replace(
            $case,
            [
                'findings' => [
                    ...$case['findings'],
                    'palpation' => [
                        ...$case['findings']['palpation'] ?? [],
                        ['muscle' => $at->muscle, 'side' => $at->side->value, 'site' => 'upper_belly', ...$details],
                    ],
                ],
            ],
        );
        $after = static fn (array $details): float => Core::clinic()->rank(MadeUpCases::read($found($details)))->of($at)->logOdds ?? 0;

        foreach ([['tenderness' => 2], ['tenderness' => 4, 'familiar' => 'yes'], ['tone' => 'high'], ['texture' => ['nodule']]] as $for) {
            self::assertGreaterThanOrEqual($before->of($at)?->logOdds - 1e-9, $after($for));
        }
        foreach ([['tenderness' => 0], ['familiar' => 'no'], ['tenderness' => 1]] as $against) {
            self::assertLessThanOrEqual($before->of($at)?->logOdds + 1e-9, $after($against));
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_a_plan_keeps_to_its_time_its_ceilings_and_its_limits(array $case): void
    {
        $file = MadeUpCases::read($case);
        $plan = self::planned($case);

        self::assertTrue($plan->planned);
        self::assertLessThanOrEqual($file->session->minutes + 1e-9, $plan->minutes());
        $last = [];
        foreach ($plan->steps as $step) {
            $pressures = array_map(static fn ($pass): float => $pass->pressure, $step->passes);
            self::assertLessThanOrEqual(
                $step->minutes * 60 + 1e-6, array_sum(array_map(static fn ($pass): float => $pass->seconds, $step->passes)),
            );
            foreach ($pressures as $index => $pressure) {
                self::assertLessThanOrEqual($step->ceiling->felt ?? 10, $pressure);
                self::assertLessThanOrEqual(60, $step->passes[$index]->leanPercent);
            }
            $hands = array_sum(array_map(static fn ($one): float => $one->totalSeconds(), $step->manoeuvres));
            self::assertTrue(
                $step->kind->value !== 'treat' || abs($step->minutes * 60 - 1.15 * $hands) <= 5,
                "{$step->label}: what the hands do and fifteen in a hundred are the step",
            );
            $reached = $last[$step->target.$step->otherSide] ?? null;
            foreach ($step->kind->value === 'treat' ? $pressures : [] as $pressure) {
                // over all the rounds of a target: it is introduced, and rises by a step
                self::assertLessThanOrEqual($reached === null ? 4 : $reached + 2, $pressure, "{$step->label} rises too fast");
                $reached = max($reached ?? 0, $pressure);
            }
            $last[$step->target.$step->otherSide] = $reached;
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_every_touch_of_a_plan_passes_the_gate(array $case): void
    {
        $file = MadeUpCases::read($case);
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($file), $file);
        $force = [];
        $gloved = false;
        foreach (self::planned($case)->steps as $step) {
            $gloved = $step->what === null ? $gloved : $step->what === 'glove_on';
            self::assertSame(
                $step->technique === 'intraoral_hold', $gloved && $step->kind->value === 'treat',
                "{$step->label}: a glove is for the mouth, and off again for anything else",
            );
            if ($step->technique === null && $step->kind !== StepKind::Feel) {
                continue;
            }
            foreach ($this->touches($step) as [$work, $pressure]) {
                self::assertNull($gate->forbidding($work), "{$step->label}: {$gate->forbidding($work)?->because()}");
                self::assertLessThanOrEqual((float) ($gate->pressureCap($work)->value ?? 10), $pressure, $step->label);
            }
            if ($step->at === null) {
                self::assertNotContains(
                    'neck_front', array_map(static fn ($place): string => $place->zone, $step->places), 'a stroke over the throat',
                );
            } elseif ($step->passes !== []) {
                $hand = max(array_map(static fn ($pass): float => $pass->tissueKpa, $step->passes));
                $force[(int) $step->otherSide][$step->at->key()] = max($hand, $force[(int) $step->otherSide][$step->at->key()] ?? 0);
            }
        }
        foreach ($force[1] ?? [] as $key => $hand) {
            [$id, $side] = explode(':', $key);
            $own = (new MuscleAt($id, Side::from($side)))->mirrored()->key();
            self::assertLessThanOrEqual(($force[0][$own] ?? INF) + 1e-6, $hand, "$key: the other side is pressed harder");
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_the_ends_of_a_visit_are_kept_and_firm_work_is_warmed_before(array $case): void
    {
        $plan = self::planned($case);
        $kinds = array_map(static fn ($step): string => $step->kind->value, $plan->steps);
        $finish = array_search('finish', $kinds, true);

        self::assertSame('settle', $kinds[0]);
        self::assertGreaterThanOrEqual(3, $plan->steps[(int) $finish]->minutes);
        self::assertSame('aftercare', $kinds[count($kinds) - 1]);
        $warm = false;
        $deep = 0.0;
        foreach ($plan->steps as $step) {
            $warm = match ($step->kind->value) {
                'warm_up' => true,
                'position' => str_starts_with($step->label, 'Turn') ? false : $warm,
                default => $warm,
            };
            foreach ($step->kind->value === 'treat' ? $step->passes : [] as $pass) {
                self::assertTrue($warm || $pass->pressure < 5, "{$step->label} is firm and not warmed");
                $deep += $pass->pressure >= 7 ? $pass->seconds : 0;
            }
            self::assertLessThanOrEqual(180 + 1e-6, $deep, 'three minutes of deep work at most without a rest');
            $deep = $step->kind->value === 'treat' ? $deep : 0.0;
        }
        if (in_array('treat', $kinds, true)) {
            self::assertContains('recheck', $kinds);
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    #[Group('slow')]
    public function test_more_time_is_never_worth_less(array $case): void
    {
        $plans = Core::clinic()->compare(MadeUpCases::read($case), ['30', '45', '60', '90']);
        $wanted = array_map(static fn (PlanResult $plan): int => count($plan->targets), $plans);

        for ($i = 1; $i < 4; $i++) {
            [$less, $more] = [array_values($plans)[$i - 1], array_values($plans)[$i]];
            // soothing what hurts may cost a turn that a shorter visit had no time for
            self::assertGreaterThanOrEqual(
                $less->benefit - ($more->turns > $less->turns ? 0.1 : 1e-9), $more->benefit, json_encode($wanted) ?: '',
            );
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProviderExternal(self::class, 'cases')]
    public function test_one_more_limit_never_raises_a_pressure(array $case): void
    {
        $strongest = static fn (CaseFile $file): float => max([
            0.0,
            ...array_map(
                static fn ($step): float => max([0.0, ...array_map(static fn ($pass): float => $pass->pressure, $step->passes)]),
                Core::clinic()->plan($file)->steps,
            ),
        ]);
        $capped = $case;
        $capped['health'] = [
            'others_denied' => true,
            'conditions' => [[
                'condition' => 'anticoagulant_or_clotting_disorder', 'answer' => 'yes', 'severity' => 'mild', 'stage' => 'late',
            ]],
        ];

        self::assertLessThanOrEqual(4, $strongest(MadeUpCases::read($capped)));
    }

    /** @param  array<string, mixed>  $case */
    private static function planned(array $case): PlanResult
    {
        return self::$planned[hash('xxh128', json_encode($case, JSON_THROW_ON_ERROR))] ??= Core::clinic()->plan(MadeUpCases::read($case));
    }

    /** @return iterable<array{ProposedWork, float}> each touch of a step, and how strong: a stroke is asked of each place it goes over */
    private function touches(PlanStep $step): iterable
    {
        $strongest = max([0.0, ...array_map(static fn ($pass): float => $pass->pressure, $step->passes)]);
        if ($step->kind === StepKind::Feel) {
            foreach ($step->places as $place) {
                yield [new ProposedWork([$place], null, 'fingertip', $step->position, null, $step->at), 0];
            }

            return;
        }
        if ($step->at === null) {
            foreach ($step->manoeuvres === [] ? $step->places : [] as $place) {
                yield [new ProposedWork([$place], $step->technique, $step->tool, $step->position, $step->product), $strongest];
            }
            foreach ($step->manoeuvres as $one) {
                yield [new ProposedWork($step->places, $one->technique, $one->tool, $step->position, $one->product), $one->pressure ?? 0];
            }

            return;
        }
        $muscle = Core::clinic()->atlas()->muscle($step->at->muscle);
        $map = Core::clinic()->atlas()->handwork()->spotsOf($muscle->id);
        foreach ($step->manoeuvres as $one) {
            $sites = array_map(static fn (string $spot): string => $map->spots[$spot]->site, $one->spots);
            foreach (array_unique($sites === [] ? [$one->site] : $sites) as $site) {
                $places = array_map(static fn (string $zone): Place => new Place($zone, $step->at->side), $muscle->zonesOf($site));
                yield [new ProposedWork(
                    $places, $one->technique, $one->tool, $step->position, $one->product, $step->at, $site, $one->setup['id'] ?? null,
                ), $one->pressure ?? 0];
            }
        }
    }

    /** @return array<string, float> */
    private function minutesBy(PlanResult $plan, bool $mirror): array
    {
        $minutes = [];
        foreach ($plan->steps as $step) {
            if ($step->at !== null && $step->kind->value === 'treat') {
                $key = ($mirror ? $step->at->mirrored() : $step->at)->key();
                $minutes[$key] = ($minutes[$key] ?? 0) + $step->minutes;
            }
        }
        ksort($minutes);

        return $minutes;
    }
}
