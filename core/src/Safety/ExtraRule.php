<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Healing\Tissue;

/** Something a condition adds when a detail of it says so: weeks of pregnancy, a blood pressure, a swelling's trend. */
final readonly class ExtraRule
{
    /** @param  list<LimitTemplate>  $do */
    private function __construct(private Fields $when, public array $do)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->fields('when'), $row->map('do', LimitTemplate::from(...)));
    }

    public function holds(ConditionAnswer $answer, Intake $intake, Tissue $tissue): bool
    {
        foreach ($this->when->keys() as $key) {
            if (! $this->part($key, $answer, $intake, $tissue)) {
                return false;
            }
        }

        return true;
    }

    /** When it adds something, for a reader of the rules. */
    public function words(): string
    {
        return implode(', ', array_map(fn (string $key): string => match ($key) {
            'controlled', 'swelling', 'severity' => "$key ".implode(' or ', $this->when->strings($key)),
            'flag' => str_replace('_', ' ', implode(' and ', $this->when->strings($key))),
            default => str_replace('_', ' ', $key).' '.$this->when->int($key),
        }, $this->when->keys()));
    }

    /** @return list<string> the details it looks at */
    public function keys(): array
    {
        return $this->when->keys();
    }

    private function part(string $key, ConditionAnswer $answer, Intake $intake, Tissue $tissue): bool
    {
        $days = $answer->since === null ? $tissue->swollenDays : Dates::days($answer->since, $intake->case->asOf);

        return match ($key) {
            // weeks unknown count as over twenty
            'weeks_at_most' => $answer->weeksPregnant !== null && $answer->weeksPregnant <= $this->when->int($key),
            'weeks_over' => ($answer->weeksPregnant ?? 99) > $this->when->int($key),
            'systolic_at_least' => $answer->systolic !== null && $answer->systolic >= $this->when->int($key),
            'diastolic_at_least' => $answer->diastolic !== null && $answer->diastolic >= $this->when->int($key),
            'controlled' => in_array(($answer->controlled ?? Answer::Unknown)->value, $this->when->strings($key), true),
            'swelling' => in_array($tissue->swelling?->value, $this->when->strings($key), true),
            'severity' => in_array($answer->severity?->value, $this->when->strings($key), true),
            'days_at_least' => $days !== null && $days >= $this->when->int($key),
            'flag' => $intake->flag($this->when->strings($key)[0] ?? '') === Answer::Yes,
            default => throw UnknownRulePart::named($key),
        };
    }
}
