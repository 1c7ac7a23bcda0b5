<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Override;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Findings\Reproduction;
use Somatrace\Core\Safety\When\InHand;

/** Intake → verdict, limits, questions. The order of the answers never matters. */
final readonly class SafetyGate
{
    private ConditionJudge $judge;

    private FindingRules $findings;

    private TechniqueRules $techniques;

    private CalfCheck $calves;

    public function __construct(
        private Atlas $atlas,
        private SafetyRules $rules,
        private ConditionTissue $tissue,
        private Reproduction $reproduction,
    ) {
        $this->judge = new ConditionJudge($atlas, $rules);
        $this->findings = new FindingRules($atlas, $rules, $this->judge);
        $this->techniques = new TechniqueRules($atlas, $rules, $this->judge);
        $this->calves = new CalfCheck($atlas, $rules->clot);
    }

    public function screen(CaseFile $case): SafetyResult
    {
        $intake = $this->intake($case);
        $clot = $this->calves->score($intake);
        $rulings = [
            ...$this->flagRulings($intake),
            ...$this->openFlags($intake),
            ...$this->conditionRulings($intake),
            ...$this->medicineRulings($intake),
            ...$this->ageRulings($case),
            ...$this->calves->rulings($intake, $clot),
            ...$this->findings->of($intake),
            ...$this->techniques->of($intake),
        ];
        usort(
            $rulings,
            static fn (Ruling $a, Ruling $b): int => [$b->verdict?->strength() ?? -1, $a->rule]
                <=> [$a->verdict?->strength() ?? -1, $b->rule],
        );
        $verdict = array_reduce(
            $rulings, static fn (Verdict $all, Ruling $one): Verdict => $all->stronger($one->verdict ?? Verdict::Proceed), Verdict::Proceed,
        );
        $after = $this->overridden($verdict, $rulings, $case);
        $limits = array_merge(
            $this->overrideLimits($case, $verdict), ...array_map(static fn (Ruling $ruling): array => $ruling->limits, $rulings),
        );

        return new SafetyResult(
            $after,
            $verdict,
            $this->days($rulings, $after),
            LimitSet::of($this->rules->doctorFirst->meanwhile($limits, $case->session->minutes)),
            $this->questions($rulings),
            array_merge([], ...array_map(static fn (Ruling $ruling): array => $ruling->offers, $rulings)),
            array_values(array_map(
                static fn (Ruling $ruling): array => [
                    'rule' => $ruling->rule, 'verdict' => ($ruling->verdict ?? Verdict::Proceed)->value, 'reason' => $ruling->reason,
                ],
                array_filter($rulings, static fn (Ruling $ruling): bool => $ruling->verdict !== null),
            )),
            $clot,
            $this->healing($intake),
            $case->health->isAsked(),
        );
    }

    /** A case as the rules ask it. */
    public function intake(CaseFile $case): Intake
    {
        return new Intake(
            $case, $this->tissue, $this->reproduction, $this->atlas, $this->rules->flags->freshDays,
            array_map(static fn (ConditionRule $rule): string => $rule->group, $this->rules->conditions), $this->rules->flags,
            $this->rules->subacuteDays,
        );
    }

    /** @return list<Ruling> */
    private function flagRulings(Intake $intake): array
    {
        $rulings = [];
        foreach ($this->rules->flags->rules as $rule) {
            if ($rule->when->holds($intake) === Answer::Yes) {
                $limits = array_merge(
                    [],
                    ...array_map(
                        fn (LimitTemplate $limit): array => $limit->limits($this->atlas, $rule->id, $rule->label, []), $rule->limits,
                    ),
                );
                $rulings[] = new Ruling($rule->id, $rule->verdict, $rule->days, $limits, reason: $rule->reason);
            }
        }

        return $rulings;
    }

    /** @return list<Ruling> an open red flag raises no alarm, but holds the visit at `modify` and is asked */
    private function openFlags(Intake $intake): array
    {
        $rulings = [];
        foreach ($this->rules->flags->flags as $id => $flag) {
            if ($intake->flag($id) === Answer::Unknown) {
                $reason = 'Not yet answered: '.$flag['ask'];
                $when = $flag['every_visit'] ? 'Asked at every visit, before hands go on.' : 'Asked at the first visit and once a month.';
                $rulings[] = new Ruling(
                    "open.$id", Verdict::Modify, null,
                    [new Limit(Effect::CheckFirst, new Scope, $id, ["open.$id"], [$reason])],
                    [new Question($id, $flag['ask'], $when, true)],
                    reason: $reason,
                );
            }
        }

        return $rulings;
    }

    /** @return list<Ruling> */
    private function conditionRulings(Intake $intake): array
    {
        $rulings = [];
        $openGroups = [];
        foreach ($this->rules->conditions as $id => $rule) {
            $answers = $intake->answersOf($id);
            if ($answers === [] && $rule->isImpliedBy($intake->case->client)) {
                $answers = [new ConditionAnswer($id, Answer::Yes)];
            }
            foreach ($answers as $answer) {
                $aged = $intake->aged($answer->answer, $rule->fresh, $answer->on);
                $rulings[] = $this->judge->judge($rule, $aged === $answer->answer ? $answer : new ConditionAnswer($id, $aged), $intake);
            }
            if (
                $answers === [] && $rule->canBe($intake->case->client) && $intake->unnamed($rule->group, $rule->fresh) === Answer::Unknown
            ) {
                $openGroups[$rule->group][] = $rule->ask->whole();
                $ruling = $this->judge->judge($rule, new ConditionAnswer($id, Answer::Unknown), $intake);
                $rulings[] = new Ruling($ruling->rule, null, null, $ruling->limits);
            }
        }
        foreach ($openGroups as $group => $asks) {
            $rulings[] = new Ruling("conditions.$group", questions: [
                new Question(
                    "conditions.$group", $this->rules->groups[$group].': '.implode(' ', $asks),
                    'Nobody has asked these yet, or too long ago; what is not asked is not known.', true,
                ),
            ]);
        }

        return $rulings;
    }

    /** What was said to heal, graded by time: what is late or settled counts where it was said, not because it is long ago. */
    private function healing(Intake $intake): HealingPlaces
    {
        $known = [];
        foreach ($this->rules->conditions as $id => $rule) {
            if (! $rule->byTime || $rule->signsAt === null) {
                continue;
            }
            foreach ($intake->answersOf($id) as $answer) {
                $aged = $intake->aged($answer->answer, $rule->fresh, $answer->on);
                if ($aged !== Answer::Yes || $this->judge->isOver($rule, $answer, $intake)) {
                    continue;
                }
                $stage = $this->judge->stage($rule, $answer, $intake);
                if ($stage !== Stage::Late || $answer->stage === Stage::Late) {
                    $known[] = [$rule->signsAt === 'zones' ? $answer->zones : $this->atlas->placesOf($rule->signsAt), $stage];
                }
            }
        }

        return new HealingPlaces($known);
    }

    /** @return list<Ruling> */
    private function medicineRulings(Intake $intake): array
    {
        $rulings = [];
        foreach ($intake->case->health->medicines as $answer) {
            $medicine = $this->rules->medicines[$answer->medicine] ?? null;
            $given = $intake->aged($answer->answer, 'medicines', null);
            $past = $medicine?->withinDays !== null
                && $answer->since !== null
                && Dates::days($answer->since, $intake->case->asOf) > $medicine->withinDays;
            if ($medicine === null || $past || $given === Answer::No) {
                continue;
            }
            $rule = 'medicine.'.$answer->medicine;
            if ($given === Answer::Unknown) {
                $rulings[] = new Ruling($rule, questions: [new Question($rule, $medicine->ask->whole(), 'It was left open.')]);

                continue;
            }
            $limits = array_merge([], ...array_map(
                fn (LimitTemplate $limit): array => $limit->limits($this->atlas, $rule, $medicine->label, $answer->places),
                $medicine->templates($intake->holding(InHand::medicine($answer))),
            ));
            $rulings[] = new Ruling(
                $rule, Verdict::Modify, null, $limits, $medicine->questions($answer, $intake->case->asOf),
                reason: ucfirst($medicine->label).'.',
            );
        }
        if ($intake->case->health->medicines === [] && $intake->unnamed('allergies_medicines', 'medicines') === Answer::Unknown) {
            $rulings[] = new Ruling(
                'medicines',
                questions: [
                    new Question('medicines', 'Which medicines are taken?', 'Some thin the blood or dull the feeling of pressure.', true),
                ],
            );
        }

        return $rulings;
    }

    /** @return list<Ruling> */
    private function ageRulings(CaseFile $case): array
    {
        if ($case->client->age < $this->rules->guardianAge && $case->client->guardianConsent !== true) {
            $reason = "Under {$this->rules->guardianAge}: a guardian agrees first.";

            return [
                new Ruling(
                    'age.guardian', Verdict::Defer, 1, [], [new Question('age.guardian', 'Has a guardian agreed?', $reason, true)],
                    reason: $reason,
                ),
            ];
        }
        if ($case->client->age >= $this->rules->olderAge) {
            $cap = $this->olderCap($case);
            $reason = "From {$this->rules->olderAge} years on: pressure at most $cap.";

            return [
                new Ruling(
                    'age.older', Verdict::Modify, null, [new Limit(Effect::CapPressure, new Scope, $cap, ['age.older'], [$reason])],
                    reason: $reason,
                ),
            ];
        }

        return [];
    }

    /** A licensed person may raise the cap of age so far, in writing. */
    private function olderCap(CaseFile $case): float
    {
        $cap = $this->rules->olderCap;
        foreach ($this->valid($case, 'modify') as $override) {
            $cap = max($cap, min($this->rules->olderCapRaised, $override->pressureCap ?? $cap));
        }

        return $cap;
    }

    /**
     * A decision lowers only the verdict it names: what else speaks against treatment stands (docs/decisions/0007).
     *
     * @param  list<Ruling>  $rulings
     */
    private function overridden(Verdict $verdict, array $rulings, CaseFile $case): Verdict
    {
        if ($verdict === Verdict::Emergency || $verdict->allowsTreatment()) {
            return $verdict;
        }
        $decided = array_filter([Verdict::Refer, Verdict::Defer], fn (Verdict $one): bool => $this->valid($case, $one->value) !== []);

        return array_reduce(
            $rulings,
            static fn (Verdict $all, Ruling $one): Verdict => $one->verdict === null || in_array($one->verdict, $decided, true)
                ? $all
                : $all->stronger($one->verdict),
            Verdict::Modify,
        );
    }

    /** @return list<Limit> */
    private function overrideLimits(CaseFile $case, Verdict $verdict): array
    {
        $limits = [];
        foreach ($this->valid($case, $verdict->value) as $override) {
            if ($override->pressureCap !== null && $verdict !== Verdict::Modify) {
                $limits[] = new Limit(
                    Effect::CapPressure, new Scope, $override->pressureCap, ['override'],
                    ["Treated by a written decision: pressure at most {$override->pressureCap}."],
                );
            }
        }

        return $limits;
    }

    /** @return list<Override> decisions of today, by somebody licensed, on that verdict */
    private function valid(CaseFile $case, string $verdict): array
    {
        return array_values(array_filter(
            $case->overrides,
            static fn (Override $override): bool => $override->byLicensed
                && $override->verdict === $verdict
                && Dates::days($override->on, $case->asOf) === 0,
        ));
    }

    /** @param  list<Ruling>  $rulings */
    private function days(array $rulings, Verdict $verdict): ?int
    {
        $days = array_map(static fn (Ruling $ruling): ?int => $ruling->verdict === $verdict ? $ruling->days : null, $rulings);

        return array_reduce($days, $verdict->strictestDays(...));
    }

    /**
     * @param  list<Ruling>  $rulings
     * @return list<Question> blocking ones first, then in the order of their ids
     */
    private function questions(array $rulings): array
    {
        $questions = [];
        foreach ($rulings as $ruling) {
            foreach ($ruling->questions as $question) {
                $questions[$question->id] = $question;
            }
        }
        usort($questions, static fn (Question $a, Question $b): int => [$b->blocks, $a->id] <=> [$a->blocks, $b->id]);

        return $questions;
    }
}
