<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;

/** Whether a clot in a leg is possible: what was said of the calves, what was measured, the score, and what follows. */
final readonly class CalfCheck
{
    public function __construct(private Atlas $atlas, private ClotRules $rules)
    {
    }

    public function score(Intake $intake): ?ClotScore
    {
        $health = $intake->case->health;
        $difference = $this->difference($intake->case);
        $sign = ($health->legSigns ?? ($health->calfClotItems === [] ? Answer::No : Answer::Unknown))
            ->or($intake->flag($this->rules->flag) === Answer::Yes ? Answer::Yes : Answer::No)
            ->or($difference !== null && $difference[0] >= $this->rules->legSignCm ? Answer::Yes : Answer::No);
        if ($sign === Answer::No) {
            return null;
        }
        $wider = $difference !== null && $difference[0] > $this->rules->calfDifferenceCm;
        $items = [];
        [$sum, $least, $most] = [0, 0, 0];
        foreach ($this->rules->items as $id => $item) {
            $answer = $id === $this->rules->measuredItem && $wider ? Answer::Yes : $health->calfClotItems[$id] ?? Answer::Unknown;
            $items[$id] = ['points' => $item['points'], 'answer' => $answer->value];
            $sum += $answer === Answer::Yes ? $item['points'] : 0;
            $least += $answer === Answer::Yes || ($answer === Answer::Unknown && $item['points'] < 0) ? $item['points'] : 0;
            $most += $answer === Answer::Yes || ($answer === Answer::Unknown && $item['points'] > 0) ? $item['points'] : 0;
        }
        // a leg that was measured larger is that leg; said of "a calf", or a flag, it may be either
        $said = $health->legSigns === Answer::Yes || $intake->flag($this->rules->flag) === Answer::Yes;
        $side = $said ? null : $difference[1] ?? null;

        return new ClotScore($sum, $least, $most, $items, $sum >= $this->rules->suspicionFrom, $sign === Answer::Yes, $side);
    }

    /** @return list<Ruling> a low score never releases a leg that has a sign */
    public function rulings(Intake $intake, ?ClotScore $clot): array
    {
        $said = $intake->case->health->legSigns;
        if ($clot === null) {
            $open = $said === null && $intake->unnamed('red_flags_other', 'red_flags_other') === Answer::Unknown;

            return $open
                ? [
                    new Ruling(
                        'leg_signs',
                        questions: [
                            new Question(
                                'leg_signs', 'Any new swelling, heat or deep soreness in a calf?',
                                'A calf that has changed is looked at before legs are worked.', true,
                            ),
                        ],
                    ),
                ]
                : [];
        }
        $questions = [];
        foreach ($this->rules->items as $id => $item) {
            if ($clot->items[$id]['answer'] === Answer::Unknown->value) {
                $questions[] = new Question(
                    "clot.$id", $item['ask'],
                    "Counts {$item['points']} of the calf score, now {$clot->sum} (between {$clot->least} and {$clot->most}).",
                );
            }
        }
        $difference = $this->difference($intake->case);
        $measured = $difference !== null && $difference[0] >= $this->rules->legSignCm;
        if ($measured && $said === Answer::No) {
            $questions[] = new Question(
                'leg_signs.measured',
                "No sign in a calf, it was said; measured, the {$difference[1]->value} one is {$difference[0]} cm larger. Which is right?",
                'What was measured outranks the answer until it is settled.', kind: 'disagreement',
            );
        }
        if ($clot->suspected) {
            $legs = $this->legs(null, "The signs in the calf add up to {$clot->sum}: both legs are left alone today.");

            return [
                new Ruling(
                    'clot_score', Verdict::Refer, 0, $legs, $questions,
                    reason: "Calf score {$clot->sum}: a clot is possible; a doctor looks today.",
                ),
            ];
        }
        // Suspicion that further answers could still raise keeps the legs untouched, without raising an alarm.
        if ($clot->most >= $this->rules->suspicionFrom) {
            $check = new Limit(Effect::CheckFirst, new Scope, 'clot_score', ['clot_score'], ['Finish the calf questions first.']);
            $legs = $this->legs(null, 'The signs in the calf are not all answered: the legs wait.');

            return [
                new Ruling(
                    'clot_score', Verdict::Modify, null, [...$legs, $check], $questions, reason: 'A sign in the calf, not yet fully asked.',
                ),
            ];
        }
        if (! $clot->sign) {
            return $questions === [] ? [] : [new Ruling('clot_score', questions: $questions)];
        }
        $which = $clot->side === null ? 'both legs are' : "the {$clot->side->value} leg is";
        $reason = "A sign in the calf: $which left alone from groin to toes today, whatever the score; a doctor looks at it within a day or two.";
        $questions[] = new Question('leg_signs.seen', 'Who looks at the calf, and when?', $reason);

        return [new Ruling('leg_sign', Verdict::Modify, null, $this->legs($clot->side, $reason, 'leg_sign'), $questions, reason: $reason)];
    }

    /** @return array{float, Side}|null by how much one calf is larger, and which; null where not both were measured */
    private function difference(CaseFile $case): ?array
    {
        $girth = [];
        foreach ($case->findings->tests as $test) {
            if ($test->test === $this->rules->girthTest && $test->value !== null) {
                $girth[$test->side->value] = $test->value;
            }
        }

        return isset($girth['left'], $girth['right'])
            ? [round(abs($girth['left'] - $girth['right']), 6), $girth['left'] > $girth['right'] ? Side::Left : Side::Right]
            : null;
    }

    /** @return list<Limit> nothing on that leg, or on both, from groin to toes */
    private function legs(?Side $only, string $reason, string $rule = 'clot_score'): array
    {
        $legs = [];
        foreach ($this->atlas->placesOf($this->rules->where) as $place) {
            if ($only === null || $place->side === $only) {
                $legs[] = new Limit(
                    Effect::Avoid, new Scope($place), null, [$rule], [$reason],
                    'work above the legs, and send on the same day if a clot is possible',
                );
            }
        }

        return $legs;
    }
}
