<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Override;

/** Intake → verdict, limits, questions. The order of the answers never matters. */
final readonly class SafetyGate
{
    public function __construct(private Atlas $atlas, private SafetyRules $rules, private ConditionTissue $tissue)
    {
    }

    public function screen(CaseFile $case): SafetyResult
    {
        $intake = new Intake($case, $this->tissue, $this->rules->flags->freshDays, $this->rules->flags);
        $clot = $this->clotScore($intake);
        $rulings = [
            ...$this->flagRulings($intake),
            ...$this->openFlags($intake),
            ...$this->conditionRulings($intake),
            ...$this->medicineRulings($intake),
            ...$this->ageRulings($case),
            ...$this->clotRulings($intake, $clot),
        ];
        usort($rulings, static fn (Ruling $a, Ruling $b): int => [$b->verdict?->strength() ?? -1, $a->rule] <=> [$a->verdict?->strength() ?? -1, $b->rule]);
        $verdict = array_reduce($rulings, static fn (Verdict $all, Ruling $one): Verdict => $all->stronger($one->verdict ?? Verdict::Proceed), Verdict::Proceed);
        $after = $this->overridden($verdict, $rulings, $case);
        $limits = array_merge($this->overrideLimits($case, $verdict), ...array_map(static fn (Ruling $ruling): array => $ruling->limits, $rulings));

        return new SafetyResult(
            $after,
            $verdict,
            $this->days($rulings, $after),
            LimitSet::of($limits),
            $this->questions($rulings),
            array_merge([], ...array_map(static fn (Ruling $ruling): array => $ruling->offers, $rulings)),
            array_values(array_map(
                static fn (Ruling $ruling): array => ['rule' => $ruling->rule, 'verdict' => ($ruling->verdict ?? Verdict::Proceed)->value, 'reason' => $ruling->reason],
                array_filter($rulings, static fn (Ruling $ruling): bool => $ruling->verdict !== null),
            )),
            $clot,
        );
    }

    /** @return list<Ruling> */
    private function flagRulings(Intake $intake): array
    {
        $rulings = [];
        foreach ($this->rules->flags->rules as $rule) {
            if ($rule->when->holds($intake) === Answer::Yes) {
                $limits = array_merge([], ...array_map(fn (LimitTemplate $limit): array => $limit->limits($this->atlas, $rule->id, explode(':', $rule->reason)[0], []), $rule->limits));
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
                $rulings[] = new Ruling("open.$id", Verdict::Modify, null, [new Limit(Effect::CheckFirst, new Scope, $id, ["open.$id"], [$reason])], [
                    new Question($id, $flag['ask'], $flag['every_visit'] ? 'Asked at every visit, before hands go on.' : 'Asked at the first visit and once a month.', $flag['every_visit']),
                ], reason: $reason);
            }
        }

        return $rulings;
    }

    /** @return list<Ruling> */
    private function conditionRulings(Intake $intake): array
    {
        $judge = new ConditionJudge($this->atlas, $this->rules);
        $rulings = [];
        $openGroups = [];
        foreach ($this->rules->conditions as $id => $rule) {
            $answers = $intake->answersOf($id);
            if ($answers === [] && $id === 'postnatal' && ($intake->case->client->weeksSinceBirth ?? 99) <= 12) {
                $answers = [new ConditionAnswer($id, Answer::Yes)];
            }
            foreach ($answers as $answer) {
                $aged = $intake->aged($answer->answer, $rule->fresh, $answer->on);
                $rulings[] = $judge->judge($rule, $aged === $answer->answer ? $answer : new ConditionAnswer($id, $aged), $intake);
            }
            if ($answers === [] && $intake->unnamed($rule->fresh) === Answer::Unknown) {
                $openGroups[$rule->group][] = $rule->ask;
                $ruling = $judge->judge($rule, new ConditionAnswer($id, Answer::Unknown), $intake);
                $rulings[] = new Ruling($ruling->rule, null, null, $ruling->limits);
            }
        }
        foreach ($openGroups as $group => $asks) {
            $rulings[] = new Ruling("conditions.$group", questions: [
                new Question("conditions.$group", $this->rules->groups[$group].': '.implode(' ', $asks), 'Nobody has asked these yet; what is not asked is not known.'),
            ]);
        }

        return $rulings;
    }

    /** @return list<Ruling> */
    private function medicineRulings(Intake $intake): array
    {
        $rulings = [];
        foreach ($intake->case->health->medicines as $answer) {
            $medicine = $this->rules->medicines[$answer->medicine] ?? null;
            $given = $intake->aged($answer->answer, 'medicines', null);
            $past = $medicine !== null && $medicine['within_days'] !== null && $answer->since !== null
                && Dates::days($answer->since, $intake->case->asOf) > $medicine['within_days'];
            if ($medicine === null || $past || $given === Answer::No) {
                continue;
            }
            $rule = 'medicine.'.$answer->medicine;
            if ($given === Answer::Unknown) {
                $rulings[] = new Ruling($rule, questions: [new Question($rule, $medicine['ask'], 'It was left open.')]);

                continue;
            }
            $limits = array_merge([], ...array_map(fn (LimitTemplate $limit): array => $limit->limits($this->atlas, $rule, $medicine['label'], $answer->places), $medicine['do']));
            $where = $medicine['local'] && $answer->places === [] ? [new Question("$rule.zones", ucfirst($medicine['label']).': where?', 'Without a place the limit holds everywhere.')] : [];
            $rulings[] = new Ruling($rule, Verdict::Modify, null, $limits, $where, reason: ucfirst($medicine['label']).'.');
        }
        if ($intake->case->health->medicines === [] && $intake->unnamed('medicines') === Answer::Unknown) {
            $rulings[] = new Ruling('medicines', questions: [new Question('medicines', 'Which medicines are taken?', 'Some thin the blood or dull the feeling of pressure.')]);
        }

        return $rulings;
    }

    /** @return list<Ruling> */
    private function ageRulings(CaseFile $case): array
    {
        if ($case->client->age < $this->rules->guardianAge && $case->client->guardianConsent !== true) {
            $reason = "Under {$this->rules->guardianAge}: a guardian agrees first.";

            return [new Ruling('age.guardian', Verdict::Defer, 1, [], [new Question('age.guardian', 'Has a guardian agreed?', $reason, true)], reason: $reason)];
        }
        if ($case->client->age >= $this->rules->olderAge) {
            $cap = $this->olderCap($case);
            $reason = "From {$this->rules->olderAge} years on: pressure at most $cap.";

            return [new Ruling('age.older', Verdict::Modify, null, [new Limit(Effect::CapPressure, new Scope, $cap, ['age.older'], [$reason])], reason: $reason)];
        }

        return [];
    }

    /** A licensed person may raise the cap of age to 6, in writing. */
    private function olderCap(CaseFile $case): float
    {
        $raised = array_map(static fn (Override $override): float => $override->pressureCap ?? 0, $this->valid($case, 'modify'));

        return max($this->rules->olderCap, min(6, max([0, ...$raised])));
    }

    private function clotScore(Intake $intake): ?ClotScore
    {
        $health = $intake->case->health;
        $wider = $this->calfDifference($intake->case) > $this->rules->calfDifferenceCm;
        $sign = ($health->legSigns ?? ($health->calfClotItems === [] ? Answer::No : Answer::Unknown))
            ->or($intake->flag('hot_swollen_calf') === Answer::Yes ? Answer::Yes : Answer::No)
            ->or($wider ? Answer::Yes : Answer::No);
        if ($sign === Answer::No) {
            return null;
        }
        $items = [];
        [$sum, $least, $most] = [0, 0, 0];
        foreach ($this->rules->clotItems as $id => $item) {
            $answer = $id === 'calf_3cm_larger' && $wider ? Answer::Yes : $health->calfClotItems[$id] ?? Answer::Unknown;
            $items[$id] = ['points' => $item['points'], 'answer' => $answer->value];
            $sum += $answer === Answer::Yes ? $item['points'] : 0;
            $least += $answer === Answer::Yes || ($answer === Answer::Unknown && $item['points'] < 0) ? $item['points'] : 0;
            $most += $answer === Answer::Yes || ($answer === Answer::Unknown && $item['points'] > 0) ? $item['points'] : 0;
        }

        return new ClotScore($sum, $least, $most, $items, $sum >= $this->rules->clotSuspicionFrom);
    }

    private function calfDifference(CaseFile $case): float
    {
        $girth = [];
        foreach ($case->findings->tests as $test) {
            if ($test->test === 'calf_girth' && $test->value !== null) {
                $girth[$test->side->value] = $test->value;
            }
        }

        return isset($girth['left'], $girth['right']) ? abs($girth['left'] - $girth['right']) : 0;
    }

    /** @return list<Ruling> */
    private function clotRulings(Intake $intake, ?ClotScore $clot): array
    {
        if ($clot === null) {
            $open = $intake->case->health->legSigns === null && $intake->unnamed('red_flags_other') === Answer::Unknown;

            return $open ? [new Ruling('leg_signs', questions: [new Question('leg_signs', 'Any new swelling, heat or deep soreness in a calf?', 'A calf that has changed is looked at before legs are worked.')])] : [];
        }
        $legs = [];
        foreach ($this->atlas->zoneSets['legs'] ?? [] as $zone) {
            foreach (Side::pair() as $side) {
                $reason = $clot->suspected ? "The signs in the calf add up to {$clot->sum}: both legs are left alone today." : 'The signs in the calf are not all answered: the legs wait.';
                $legs[] = new Limit(Effect::Avoid, new Scope(new Place($zone, $side)), null, ['clot_score'], [$reason], 'work above the legs, and send on the same day if a clot is possible');
            }
        }
        $questions = [];
        foreach ($this->rules->clotItems as $id => $item) {
            if ($clot->items[$id]['answer'] === Answer::Unknown->value) {
                $questions[] = new Question("clot.$id", $item['ask'], "Counts {$item['points']} of the calf score, now {$clot->sum} (between {$clot->least} and {$clot->most}).");
            }
        }
        if ($clot->suspected) {
            return [new Ruling('clot_score', Verdict::Refer, 0, $legs, $questions, reason: "Calf score {$clot->sum}: a clot is possible; a doctor looks today.")];
        }
        // Suspicion that further answers could still raise keeps the legs untouched, without raising an alarm.
        if ($clot->most >= $this->rules->clotSuspicionFrom) {
            $check = new Limit(Effect::CheckFirst, new Scope, 'clot_score', ['clot_score'], ['Finish the calf questions first.']);

            return [new Ruling('clot_score', Verdict::Modify, null, [...$legs, $check], $questions, reason: 'A sign in the calf, not yet fully asked.')];
        }

        return [];
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

        return array_reduce($rulings, static fn (Verdict $all, Ruling $one): Verdict => $one->verdict === null || in_array($one->verdict, $decided, true) ? $all : $all->stronger($one->verdict), Verdict::Modify);
    }

    /** @return list<Limit> */
    private function overrideLimits(CaseFile $case, Verdict $verdict): array
    {
        $limits = [];
        foreach ($this->valid($case, $verdict->value) as $override) {
            if ($override->pressureCap !== null && $verdict !== Verdict::Modify) {
                $limits[] = new Limit(Effect::CapPressure, new Scope, $override->pressureCap, ['override'], ["Treated by a written decision: pressure at most {$override->pressureCap}."]);
            }
        }

        return $limits;
    }

    /** @return list<Override> decisions of today, by somebody licensed, on that verdict */
    private function valid(CaseFile $case, string $verdict): array
    {
        return array_values(array_filter(
            $case->overrides,
            static fn (Override $override): bool => $override->byLicensed && $override->verdict === $verdict && Dates::days($override->on, $case->asOf) === 0,
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
