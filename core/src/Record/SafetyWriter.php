<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\MedicineAnswer;
use Somatrace\Core\CaseFile\Override;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\Question;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\SafetyRules;
use Somatrace\Core\Safety\Verdict;

/** What was asked, what was answered, and what it means for this visit. */
final readonly class SafetyWriter
{
    private const TOLD = [Effect::Avoid, Effect::CapPressure, Effect::CapMinutes, Effect::Exclude, Effect::DoctorFirst];

    /** A few open questions are named, many are counted. */
    private const NAMED = 3;

    public function __construct(private Atlas $atlas, private SafetyRules $rules, private Terms $terms)
    {
    }

    /**
     * @param  list<Place>  $near  where it hurts and where hands were: limits that lie elsewhere are not told
     * @return list<Sentence>
     */
    public function of(CaseFile $case, SafetyResult $safety, array $near): array
    {
        if (! $safety->asked) {
            return [
                new Sentence('safety.flags', Part::Safety, 'The safety questions were not asked.', [new Source('screen', 'Danger signs')]),
            ];
        }

        $binding = $this->binding($case, $safety, $near);
        $told = [];
        foreach ($binding as $limits) {
            foreach ($limits as $limit) {
                array_push($told, ...$limit->rules);
            }
        }

        return array_values(array_filter([
            $this->flags($case, $safety), $this->conditions($case), $this->medicines($case), $this->verdict(
                $safety, $told, array_map(mb_strtolower(...), array_keys($binding)),
            ),
            ...array_map($this->override(...), $case->overrides, array_keys($case->overrides)),
            ...array_map($this->limit(...), array_keys($binding), $binding),
        ]));
    }

    private function flags(CaseFile $case, SafetyResult $safety): Sentence
    {
        $answers = $case->health->redFlags;
        // an answer that grew old, or was not given, is asked for
        $asks = array_map(static fn (Question $question): string => $question->id, $safety->questions);
        $yes = [];
        $denied = 0;
        $open = [];
        foreach ($this->rules->flags->flags as $id => $flag) {
            $words = lcfirst(rtrim($flag['ask'], '?'));
            if (($answers[$id] ?? null) === Answer::Yes) {
                $since = $case->health->redFlagSince[$id] ?? null;
                $yes[] = "“{$words}”".($since === null ? '' : ', since '.$this->terms->date($since));
            } elseif (in_array($id, $asks, true)) {
                $open[] = "“{$words}”";
            } else {
                $denied++;
            }
        }
        $rest = match (true) {
            $denied === 0 => '',
            $open !== [] => "$denied danger signs denied",
            $yes !== [] => 'All other danger signs denied',
            default => 'Danger signs: all asked about, all denied',
        };

        return new Sentence('safety.flags', Part::Safety, implode(' ', array_map(Prose::sentence(...), array_filter([
            $yes === [] ? '' : 'Answered yes: '.Prose::list($yes), $rest,
            $open === [] ? '' : (
                count($open) <= self::NAMED ? 'Not answered: '.Prose::list($open) : count($open).' danger signs not answered'
            ),
        ]))), [new Source('screen', 'Danger signs')]);
    }

    private function conditions(CaseFile $case): ?Sentence
    {
        $said = [];
        foreach ($case->health->conditions as $one) {
            if ($one->answer === Answer::Yes) {
                $said[] = $this->condition($one);
            }
        }

        return $said === []
            ? null
            : new Sentence('safety.conditions', Part::Safety, 'Known: '.implode('; ', $said).'.', [new Source('screen', 'Conditions')]);
    }

    private function condition(ConditionAnswer $one): string
    {
        $leave = $one->leave;

        return implode(', ', array_filter([
            $this->rules->conditions[$one->condition]->label ?? str_replace('_', ' ', $one->condition),
            $one->severity->value ?? '', $one->stage === null ? '' : str_replace('subacute', 'sub-acute', $one->stage->value),
            $one->zones === [] ? '' : 'in the '.$this->terms->places($one->zones),
            $one->since === null ? '' : 'since '.$this->terms->date($one->since),
            $one->weeksPregnant === null ? '' : "week {$one->weeksPregnant}",
            $one->controlled === Answer::Yes ? 'controlled' : ($one->controlled === Answer::No ? 'not controlled' : ''),
            $one->systolic === null || $one->diastolic === null ? '' : "{$one->systolic}/{$one->diastolic} mmHg",
            $leave === null ? '' : 'a doctor '.($leave->given ? 'agrees' : 'does not agree').' ('.$this->terms->date($leave->on).')',
        ]));
    }

    private function medicines(CaseFile $case): ?Sentence
    {
        $said = [];
        foreach ($case->health->medicines as $one) {
            if ($one->answer === Answer::Yes) {
                $said[] = $this->medicine($one);
            }
        }

        return $said === []
            ? null
            : new Sentence('safety.medicines', Part::Safety, 'Takes '.implode('; ', $said).'.', [new Source('screen', 'Medicines')]);
    }

    private function medicine(MedicineAnswer $one): string
    {
        return implode(', ', array_filter([
            ($this->rules->medicines[$one->medicine]->label ?? str_replace('_', ' ', $one->medicine))
                .($one->named === [] ? '' : ' ('.Prose::list($one->named).')'),
            $one->severity->value ?? '',
            $one->places === [] ? '' : 'in the '.$this->terms->places($one->places),
            $one->since === null ? '' : 'since '.$this->terms->date($one->since),
            $one->weeks === null ? '' : "for {$one->weeks} weeks",
        ]));
    }

    /**
     * @param  list<string>  $told  rules whose limits are told
     * @param  list<string>  $causes  what they come from
     */
    private function verdict(SafetyResult $safety, array $told, array $causes): Sentence
    {
        $days = $safety->days;
        $when = match (true) {
            $days === null => '',
            $safety->verdict === Verdict::Refer => match ($days) {
                0 => ', to be seen today', 1 => ', to be seen by tomorrow', default => ", to be seen within $days days",
            },
            $safety->verdict === Verdict::Defer => $days === 1 ? ', again tomorrow' : ", again in $days days",
            default => '',
        };
        $words = match ($safety->verdict) {
            Verdict::Proceed => 'nothing that limits the work',
            Verdict::Modify => 'may be treated, within limits',
            Verdict::Defer => 'not to be treated'.$when,
            Verdict::Refer => 'sent to a doctor'.$when,
            Verdict::Emergency => 'emergency care, at once',
        };
        // what merely was not answered is told with the questions, and what limits the work with its limits
        $because = array_unique(array_column(array_filter(
            $safety->because,
            static fn (array $one): bool => $one['verdict'] === $safety->beforeOverride->value
                && ! str_starts_with($one['rule'], 'open.') && ! in_array($one['rule'], $told, true)
                && ! in_array(mb_strtolower(rtrim($one['reason'], '.')), $causes, true),
        ), 'reason'));

        return new Sentence(
            'safety.verdict', Part::Safety,
            implode(' ', ["Today: $words.", ...array_map(Prose::sentence(...), array_slice(array_values($because), 0, self::NAMED))]),
            [new Source('screen', 'Verdict')],
        );
    }

    private function override(Override $one, int $index): Sentence
    {
        return new Sentence(
            "safety.override.$index", Part::Safety,
            Prose::sentence("The therapist decided otherwise in writing on {$this->terms->date($one->on)}: ".Prose::quoted($one->reason)),
            [new Source('screen', 'Decided in writing')],
        );
    }

    /**
     * @param  list<Place>  $near
     * @return array<string, non-empty-list<Limit>> those that bind today, by cause; none where nobody is treated
     */
    private function binding(CaseFile $case, SafetyResult $safety, array $near): array
    {
        $keys = array_map(static fn (Place $place): string => $place->key(), $near);
        $causes = [];
        foreach ($safety->verdict->allowsTreatment() ? $safety->limits->all() : [] as $limit) {
            $cause = $this->cause($case, $limit->cause);
            $at = $limit->scope->place;
            if ($cause !== null && in_array($limit->effect, self::TOLD, true) && $limit->scope->muscle === null
                && ($at === null || in_array($at->key(), $keys, true))) {
                $causes[$cause][] = $limit;
            }
        }

        return $causes;
    }

    /** @param  non-empty-list<Limit>  $limits */
    private function limit(string $cause, array $limits): Sentence
    {
        $effects = [];
        foreach ($limits as $limit) {
            $effects[$limit->effect->value][] = $limit;
        }
        $said = [];
        foreach (self::strictest($effects) as $of) {
            $said[] = $this->effect($of);
        }

        return new Sentence(
            'safety.limit.'.preg_replace('/[^a-z0-9]+/', '_', mb_strtolower($cause)), Part::Safety,
            Prose::sentence("$cause: ".implode('; ', $said)), [new Source('screen', ucfirst($cause))],
        );
    }

    /**
     * Where nothing is pressed, nobody needs to be told how strongly or with what.
     *
     * @param  non-empty-array<string, non-empty-list<Limit>>  $effects
     * @return non-empty-array<string, non-empty-list<Limit>>
     */
    private static function strictest(array $effects): array
    {
        $never = self::where($effects[Effect::Avoid->value] ?? []);
        $left = array_filter(
            $effects,
            static fn (array $limits, string $effect): bool => $effect === Effect::Avoid->value
                || array_diff(self::where($limits), $never) !== [],
            ARRAY_FILTER_USE_BOTH,
        );

        return $left === [] ? $effects : $left;
    }

    /**
     * @param  list<Limit>  $limits
     * @return list<string> the places they hold at, one empty where one holds everywhere
     */
    private static function where(array $limits): array
    {
        $places = [];
        foreach ($limits as $limit) {
            $places[$limit->scope->place?->key() ?? ''] = true;
        }

        return array_map(strval(...), array_keys($places));
    }

    /** What a limit comes from, in words; null where it holds only because nobody has answered. */
    private function cause(CaseFile $case, string $cause): ?string
    {
        $known = [];
        foreach ([...$case->health->conditions, ...$case->health->medicines] as $one) {
            $known[$one instanceof ConditionAnswer ? $one->condition : $one->medicine] = $one->answer === Answer::Yes;
        }
        foreach ([...$this->rules->conditions, ...$this->rules->medicines] as $id => $rule) {
            if (stripos($cause, $rule->label) !== false) {
                return $known[$id] ?? false ? $rule->label : null;
            }
        }

        return $cause === '' ? null : $cause;
    }

    /** @param  non-empty-list<Limit>  $limits  of one effect */
    private function effect(array $limits): string
    {
        $places = [];
        $things = [];
        $values = [];
        foreach ($limits as $limit) {
            $things[$this->thing($limit)] = true;
            $values[] = is_numeric($limit->value) ? (float) $limit->value : null;
            if ($limit->scope->place !== null) {
                $places[$limit->scope->place->key()] = $limit->scope->place;
            }
        }
        // what holds everywhere is not told by place
        $everywhere = array_filter($limits, static fn (Limit $one): bool => $one->scope->place === null) !== [];
        $where = $everywhere || $places === [] ? '' : ' in the '.$this->terms->places(array_values($places));
        $named = array_values(array_filter(array_keys($things)));
        $figures = array_filter($values, static fn (?float $value): bool => $value !== null);
        $least = $figures === [] ? '' : Prose::figure(min($figures));

        return match ($limits[0]->effect) {
            Effect::CapPressure => "pressure at most $least$where",
            Effect::CapMinutes => "at most $least min$where",
            Effect::DoctorFirst => 'only after a doctor’s leave'.($named === [] ? '' : ': '.Prose::list($named)).$where,
            default => isset($things['']) ? "nothing pressed$where" : (count($named) > self::NAMED + 1
                ? count($named)." techniques left out$where"
                : 'no '.implode(', no ', $named).$where),
        };
    }

    private function thing(Limit $limit): string
    {
        $scope = $limit->scope;
        $plain = $this->terms->wording === Wording::Plain;

        return implode(', ', array_filter([
            $scope->technique === null ? '' : ($plain
                ? Prose::within($this->atlas->technique($scope->technique)->name)
                : $this->atlas->technique($scope->technique)->clinical),
            $scope->tool === null ? '' : $this->terms->tool($scope->tool),
            $scope->position === null ? '' : 'lying '.$this->atlas->position($scope->position)->name,
            $scope->product === null ? '' : ($this->atlas->products[$scope->product] ?? $scope->product),
            $scope->setup === null ? '' : Prose::within($this->atlas->handwork()->setups[$scope->setup]->name ?? $scope->setup),
        ]));
    }
}
