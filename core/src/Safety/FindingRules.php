<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\ConditionAnswer;

/** Holds the findings of today against the rules that read them. */
final class FindingRules
{
    /** @var array<string, list<Limit>> by rule and side: they are the same for everybody whom the rule speaks of */
    private array $limits = [];

    public function __construct(private readonly Atlas $atlas, private readonly SafetyRules $rules, private readonly ConditionJudge $judge)
    {
    }

    /** @return list<Ruling> */
    public function of(Intake $intake): array
    {
        $rulings = [];
        foreach ($this->rules->findings as $rule) {
            foreach ($rule->eachSide ? Side::pair() : [null] as $side) {
                if ($rule->when->holds($intake, $side) === Answer::Yes) {
                    array_push($rulings, ...$this->rulings($rule, $side, $intake));
                }
            }
        }

        return $rulings;
    }

    /** @return list<Ruling> */
    private function rulings(FindingRule $rule, ?Side $side, Intake $intake): array
    {
        $label = $rule->label.($side === null ? '' : ", {$side->value}");
        $limits = $this->limits["{$rule->id}|{$side?->value}"] ??= array_merge([], ...array_map(
            fn (LimitTemplate $limit): array => $limit->limits($this->atlas, $rule->id, $label, [], $side), $rule->limits,
        ));
        $asked = $rule->ask === null ? [] : [new Question(
            $rule->id.($side === null ? '' : ".{$side->value}"), ucfirst($label).': '.$rule->ask, $rule->reason,
            kind: $rule->disagrees ? 'disagreement' : null,
        )];
        $verdict = $rule->verdict ?? ($rule->countsAs === null ? null : Verdict::Modify);
        $own = new Ruling($rule->id, $verdict, $rule->days, $limits, $asked, reason: ucfirst($label).': '.lcfirst($rule->reason));
        if ($rule->countsAs === null) {
            return [$own];
        }
        // found counts as much as said: the limits are those of the condition, under the name of what was found
        $there = array_values(array_filter(
            $this->atlas->placesOf((string) $rule->at),
            static fn (Place $place): bool => $side === null || $place->side === $side || $place->side === Side::Midline,
        ));
        $as = $this->judge->judge(
            $this->rules->conditions[$rule->countsAs], new ConditionAnswer($rule->countsAs, Answer::Yes, $rule->severity, zones: $there),
            $intake,
        );

        return [
            $own,
            new Ruling(
                $rule->id, $as->verdict, $as->days, array_map(static fn (Limit $limit): Limit => $limit->under($rule->id), $as->limits),
            ),
        ];
    }
}
