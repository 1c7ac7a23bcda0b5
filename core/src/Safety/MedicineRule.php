<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\MedicineAnswer;
use Somatrace\Core\Data\Fields;

/** One medicine, from data: what it always means, and what it adds where it is given long, at a place, or a short while ago. */
final readonly class MedicineRule
{
    /**
     * @param  int|null  $withinDays  it counts for so many days after it was given
     * @param  list<LimitTemplate>  $do
     * @param  list<ExtraRule>  $extra
     * @param  list<string>  $names  common ones of its kind by their own name
     */
    private function __construct(
        public string $id,
        public string $label,
        public Asked $ask,
        public ?int $withinDays,
        public array $do,
        private array $extra,
        public array $names,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('label'), Asked::from($row), $row->intOrNull('within_days'),
            $row->map('do', LimitTemplate::from(...)), $row->map('extra', ExtraRule::from(...)),
            $row->strings('names'),
        );
    }

    /** Whether where it is given decides anything. */
    public function asksPlace(): bool
    {
        return $this->asks('placed') || array_filter($this->do, static fn (LimitTemplate $limit): bool => $limit->isLocal()) !== [];
    }

    /** Whether a detail of it decides anything: weeks_at_least, placed, dose_hours_under. */
    public function asks(string $detail): bool
    {
        return in_array(
            $detail, array_merge([], ...array_map(static fn (ExtraRule $extra): array => $extra->details(), $this->extra)), true,
        );
    }

    /**
     * @param  Intake  $intake  with the answer in hand
     * @return list<LimitTemplate>
     */
    public function templates(Intake $intake): array
    {
        $templates = $this->do;
        foreach ($this->extra as $extra) {
            if ($extra->holds($intake)) {
                array_push($templates, ...$extra->do);
            }
        }

        return $templates;
    }

    /** @return array<string, list<LimitTemplate>> what it adds, by when, for a reader of the rules */
    public function additions(): array
    {
        $additions = [];
        foreach ($this->extra as $extra) {
            $additions[$extra->words()] = $extra->do;
        }

        return $additions;
    }

    /** @return list<Question> what has to be known of it */
    public function questions(MedicineAnswer $answer, \DateTimeImmutable $day): array
    {
        $open = [
            'places' => $this->asksPlace() && $answer->places === [],
            'weeks' => $this->asks('weeks_at_least') && $answer->weeksAt($day) === null,
            'last_dose_hours' => $this->asks('dose_hours_under') && $answer->lastDoseHours === null && $answer->shortActing !== Answer::No,
        ];
        $asks = [
            'places' => ['where?', 'Where it is given nothing is pressed hard.'],
            'weeks' => ['since when?', 'Taken for months it thins skin and bone; without an answer it counts as long.'],
            'last_dose_hours' => ['when was the last dose, and have you eaten?', 'Large work soon after a dose can drop the sugar.'],
        ];

        return array_map(
            fn (string $part): Question => new Question(
                "medicine.{$this->id}.$part", ucfirst($this->label).': '.$asks[$part][0], $asks[$part][1],
            ),
            array_keys(array_filter($open)),
        );
    }
}
