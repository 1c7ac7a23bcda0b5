<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Severity;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Healing\Tissue;
use Somatrace\Core\Safety\When\InHand;

/** Grades one answered condition and says what follows. */
final readonly class ConditionJudge
{
    /** the strictest column: severe or acute */
    private const SEVERE = 2;

    public function __construct(private Atlas $atlas, private SafetyRules $rules)
    {
    }

    public function judge(ConditionRule $rule, ConditionAnswer $answer, Intake $intake): Ruling
    {
        $id = 'condition.'.$rule->id;
        if ($answer->answer === Answer::Unknown) {
            return new Ruling($id, null, null, $this->limits($rule->ifUnknown, $id, 'Not yet answered: '.$rule->label, $answer), [
                new Question($id, $rule->ask->whole(), 'It was left open; until it is answered it is treated with care.'),
            ]);
        }
        if ($answer->answer === Answer::No || $this->isOver($rule, $answer, $intake)) {
            return new Ruling($id);
        }
        $tissue = $intake->tissue->of($answer, $intake->case);
        $column = $this->column($rule, $answer, $tissue, $intake);
        $templates = $rule->isGraded() ? [...$rule->always, ...$rule->upTo($column)] : $this->rules->ungraded;
        $held = $intake->holding(InHand::condition($answer, $tissue));
        foreach ($rule->extra as $extra) {
            if ($extra->holds($held)) {
                array_push($templates, ...$extra->do);
            }
        }
        if ($answer->leave?->given === true) {
            $templates = array_values(array_filter(
                $templates, static fn (LimitTemplate $template): bool => $template->effect !== Effect::DoctorFirst,
            ));
        }
        $limits = $this->limits($templates, $id, $rule->label, $answer);
        [$verdict, $days] = $this->verdict($templates, $limits, $column);

        return new Ruling(
            $id, $verdict, $days, $limits, $this->questions($rule, $answer, $id), $this->offers($templates, $answer, $id),
            $this->reason($rule, $tissue),
        );
    }

    /** 0 mild or settled · 1 moderate · 2 severe or acute. */
    private function column(ConditionRule $rule, ConditionAnswer $answer, Tissue $tissue, Intake $intake): int
    {
        $severity = ($answer->severity ?? Severity::Moderate)->column();
        if (! $rule->staged) {
            return $severity;
        }
        $days = $answer->since === null ? null : Dates::days($answer->since, $intake->case->asOf);
        if ($rule->byTime) {
            $byDays = $days === null
                ? null
                : $this->byDays($days, $rule->severeDays ?? $this->rules->acuteDays, $rule->moderateDays ?? $this->rules->subacuteDays);
            // of a stated stage, the dates and the signs the strictest counts; with neither stage nor date it is taken as sub-acute
            $column = max($answer->stage?->column() ?? $byDays ?? 1, $byDays ?? 0, $tissue->stage?->column() ?? 0);

            return min(self::SEVERE, $column + ($answer->severity === Severity::Severe ? 1 : 0));
        }
        $acute = in_array(Stage::Acute, [$answer->stage, $tissue->stage], true) || ($days !== null && $days <= $this->rules->acuteDays);

        return min(self::SEVERE, $severity + ($acute ? 1 : 0));
    }

    /** How fresh it is: by its column, so that stage, dates and signs all count. */
    public function stage(ConditionRule $rule, ConditionAnswer $answer, Intake $intake): Stage
    {
        $column = $rule->byTime ? $this->column($rule, $answer, $intake->tissue->of($answer, $intake->case), $intake) : null;
        $days = $answer->since === null ? null : Dates::days($answer->since, $intake->case->asOf);

        return match (true) {
            $column !== null => [Stage::Late, Stage::Subacute, Stage::Acute][$column],
            $answer->stage === Stage::Acute || ($days !== null && $days <= $this->rules->acuteDays) => Stage::Acute,
            default => $answer->stage ?? ($days !== null && $days > $this->rules->subacuteDays ? Stage::Late : Stage::Subacute),
        };
    }

    public function isOver(ConditionRule $rule, ConditionAnswer $answer, Intake $intake): bool
    {
        return $rule->lapsesAfterDays !== null
            && $answer->since !== null
            && Dates::days($answer->since, $intake->case->asOf) > $rule->lapsesAfterDays;
    }

    private function reason(ConditionRule $rule, Tissue $tissue): string
    {
        return ucfirst($rule->label).($tissue->words() === '' ? '.' : ", {$tissue->words()}.");
    }

    private function byDays(int $days, int $severe, int $moderate): int
    {
        return match (true) {
            $days <= $severe => 2,
            $days <= $moderate => 1,
            default => 0,
        };
    }

    /**
     * @param  list<LimitTemplate>  $templates
     * @return list<Limit>
     */
    private function limits(array $templates, string $id, string $cause, ConditionAnswer $answer): array
    {
        return array_merge(
            [],
            ...array_map(fn (LimitTemplate $template): array => $template->limits($this->atlas, $id, $cause, $answer->zones), $templates),
        );
    }

    /**
     * @param  list<LimitTemplate>  $templates
     * @param  list<Limit>  $limits
     * @return array{?Verdict, ?int}
     */
    private function verdict(array $templates, array $limits, int $column): array
    {
        $verdict = $limits === [] ? null : Verdict::Modify;
        $days = null;
        foreach ($templates as $template) {
            $asks = match (true) {
                $template->verdict !== null => $template->verdict,
                $template->effect === Effect::DoctorFirst && $column === self::SEVERE => Verdict::Defer,
                default => null,
            };
            if ($asks === null) {
                continue;
            }
            $after = $template->days ?? ($asks === Verdict::Defer ? 7 : null);
            $days = match (true) {
                $verdict === null, $asks->strength() > $verdict->strength() => $after,
                $asks === $verdict => $asks->strictestDays($days, $after),
                default => $days,
            };
            $verdict = $asks->stronger($verdict ?? $asks);
        }

        return [$verdict, $days];
    }

    /** @return list<Question> */
    private function questions(ConditionRule $rule, ConditionAnswer $answer, string $id): array
    {
        $questions = [];
        if ($answer->severity === null && ! $rule->byTime && $rule->turnsOnSeverity()) {
            $questions[] = new Question(
                "$id.severity", ucfirst($rule->label).': how bad is it?',
                'Mild, moderate and severe lead to different limits; moderate is assumed.',
            );
        }
        if ($rule->staged && $answer->stage === null && $answer->since === null) {
            $questions[] = new Question(
                "$id.stage", ucfirst($rule->label).': since when?', 'How fresh it is decides what may be done; sub-acute is assumed.',
            );
        }
        $needsPlace = $rule->zoned
            || array_filter($rule->upTo(self::SEVERE), static fn (LimitTemplate $template): bool => $template->isLocal()) !== [];
        if ($needsPlace && $answer->zones === []) {
            $questions[] = new Question("$id.zones", ucfirst($rule->label).': where?', 'Without a place the limit holds everywhere.');
        }
        if ($rule->fresh === 'pregnancy' && $answer->weeksPregnant === null) {
            $questions[] = new Question("$id.weeks", 'How many weeks?', 'Without an answer it counts as over twenty.');
        }

        return $questions;
    }

    /**
     * @param  list<LimitTemplate>  $templates
     * @return list<Offer>
     */
    private function offers(array $templates, ConditionAnswer $answer, string $id): array
    {
        $offers = [];
        foreach ($templates as $template) {
            if ($template->offer !== null && $answer->zones !== []) {
                $offers[] = new Offer(
                    $template->offer->string('technique'), $template->offer->string('product'), $answer->zones,
                    $template->offer->string('school'), $template->offer->string('school_value'), $id,
                );
            }
        }

        return $offers;
    }
}
