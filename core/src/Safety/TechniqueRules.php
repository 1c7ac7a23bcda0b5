<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\NotWith;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Setup;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Severity;
use Somatrace\Core\CaseFile\Stage;

/**
 * What each technique and each set-up is not for, as limits of the case: "not with" is a rule, and a stage is that of the condition or of
 * the signs at the place, never of the complaint's date alone.
 */
final readonly class TechniqueRules
{
    public function __construct(private Atlas $atlas, private SafetyRules $rules, private ConditionJudge $judge)
    {
    }

    /** @return list<Ruling> */
    public function of(Intake $intake): array
    {
        $rulings = [];
        foreach ($this->atlas->techniques as $technique) {
            $limits = [];
            foreach ($technique->notWith as $not) {
                array_push($limits, ...$this->limits($technique, $not, $intake));
            }
            $rulings[] = new Ruling("technique.{$technique->id}", limits: $limits);
        }
        foreach ($this->atlas->handwork()->setups as $setup) {
            $limits = [];
            foreach ($setup->notWith as $not) {
                array_push($limits, ...$this->limits($setup, $not, $intake));
            }
            $rulings[] = new Ruling("setup.{$setup->id}", limits: $limits);
        }

        return [...$rulings, ...$this->staged($intake)];
    }

    /** @return list<Limit> */
    private function limits(Technique|Setup $what, NotWith $not, Intake $intake): array
    {
        if ($not->flag !== null) {
            $words = $this->rules->flags->flags[$not->flag]['ask'];

            return $intake->flag($not->flag) === Answer::Yes
                ? $this->excluded($what, $this->places($not->where, []), rtrim($words, '?.'))
                : [];
        }
        if ($not->unsettled !== null) {
            $label = $this->rules->conditions[$not->unsettled]->label;

            return $intake->isSettled($not->unsettled)
                ? []
                : $this->excluded($what, $this->places($not->where, []), "$label, denied by nobody or not yet settled");
        }
        $limits = [];
        $rule = $this->rules->conditions[(string) $not->condition];
        foreach ($intake->answersOf($rule->id) as $answer) {
            if (
                $intake->aged($answer->answer, $rule->fresh, $answer->on) === Answer::Yes
                    && ! $this->judge->isOver($rule, $answer, $intake)
                    && $this->matches($not, $rule, $answer, $intake)
            ) {
                array_push($limits, ...$this->excluded($what, $this->places($not->where, $answer->zones), $rule->label));
            }
        }

        return $limits;
    }

    private function matches(NotWith $not, ConditionRule $rule, ConditionAnswer $answer, Intake $intake): bool
    {
        $severity = $answer->severity ?? Severity::Moderate;
        $days = $answer->since === null ? null : Dates::days($answer->since, $intake->case->asOf);

        return ($not->severityFrom === null || $severity->column() >= Severity::from($not->severityFrom)->column())
            && ($not->stages === [] || in_array($this->judge->stage($rule, $answer, $intake)->value, $not->stages, true))
            // without a date it counts as fresh, unless it was said to be settled
            && ($not->withinDays === null || ($days === null ? $answer->stage !== Stage::Settled : $days <= $not->withinDays));
    }

    /** @return list<Ruling> where the tissue itself is acute, only what is allowed in that stage */
    private function staged(Intake $intake): array
    {
        $limits = [];
        foreach ($intake->acutePlaces() as $place) {
            foreach ($this->atlas->techniques as $technique) {
                if (! in_array(Stage::Acute->value, $technique->stages, true)) {
                    array_push($limits, ...$this->excluded($technique, [$place], 'Signs of a fresh inflammation', 'technique.stage'));
                }
            }
        }

        return $limits === [] ? [] : [new Ruling('technique.stage', limits: $limits)];
    }

    /**
     * @param  list<Place>  $given
     * @return list<Place|null> null for everywhere
     */
    private function places(string $where, array $given): array
    {
        return match (true) {
            $where === 'everywhere' => [null],
            in_array($where, ['there', 'near', 'bound', 'device'], true) && $given === [] => [null],
            $where === 'there' => $given,
            $where === 'near' => array_merge(...array_map($this->atlas->near(...), $given)),
            $where === 'bound' => array_merge(...array_map($this->atlas->bound(...), $given)),
            $where === 'device' => array_merge(...array_map($this->atlas->around(...), $given)),
            default => $this->atlas->placesOf($where),
        };
    }

    /**
     * @param  list<Place|null>  $places
     * @return list<Limit>
     */
    private function excluded(Technique|Setup $what, array $places, string $cause, ?string $rule = null): array
    {
        $limits = [];
        foreach ($places as $place) {
            $at = $place === null ? '' : ', at: '.$this->atlas->placeName($place);
            [$scope, $own, $words] = $what instanceof Technique
                ? [new Scope($place, $what->id), "technique.{$what->id}", 'no '.lcfirst($what->name)]
                : [new Scope($place, setup: $what->id), "setup.{$what->id}", "not {$what->name}"];
            $limits[$place?->key() ?? ''] = new Limit(
                Effect::Exclude, $scope, null, [$rule ?? $own], [ucfirst($cause).": $words$at."], cause: $cause,
            );
        }

        return array_values($limits);
    }
}
