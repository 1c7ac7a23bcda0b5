<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\CaseFile\Client;
use Somatrace\Core\Data\Fields;

/** One graded condition, from data. */
final readonly class ConditionRule
{
    /**
     * @param  string|null  $signsAt  where its signs are looked for: `zones` for the place it was named at, or a set of zones
     * @param  int|null  $lapsesAfterDays  after so many days it is over by itself
     * @param  array{list<LimitTemplate>, list<LimitTemplate>, list<LimitTemplate>}  $columns  mild or settled, moderate, severe or acute
     * @param  list<LimitTemplate>  $always
     * @param  list<LimitTemplate>  $ifUnknown
     * @param  list<ExtraRule>  $extra
     * @param  int|null  $weeksSinceBirth  it is so, without being asked, up to so many weeks after a birth
     * @param  Fields|null  $applies  whom it can be asked of; everybody without it
     */
    private function __construct(
        public string $id,
        public string $label,
        public Asked $ask,
        public string $group,
        public bool $byTime,
        public ?int $severeDays,
        public ?int $moderateDays,
        public bool $zoned,
        public bool $staged,
        public ?string $signsAt,
        public ?int $lapsesAfterDays,
        public string $fresh,
        public array $columns,
        public array $always,
        public array $ifUnknown,
        public array $extra,
        public ?int $weeksSinceBirth,
        private ?Fields $applies,
    ) {
    }

    public static function from(Fields $row): self
    {
        $columns = $row->fields('columns');
        $days = $row->fieldsOrNull('days');
        $template = LimitTemplate::from(...);

        return new self(
            $row->string('id'), $row->string('label'), Asked::from($row), $row->string('group'), $row->string('graded_by') === 'time',
            $days?->int('severe'), $days?->int('moderate'), $row->bool('zoned'), $row->bool('staged'), $row->stringOrNull('signs_at'),
            $row->intOrNull('lapses_after_days'), $row->string('fresh'),
            [$columns->map('mild', $template), $columns->map('moderate', $template), $columns->map('severe', $template)],
            $row->map('always', $template), $row->map('if_unknown', $template), $row->map('extra', ExtraRule::from(...)),
            $row->intOrNull('weeks_since_birth'), $row->fieldsOrNull('applies'),
        );
    }

    /** Whether it can be so with this client at all. */
    public function canBe(Client $client): bool
    {
        return $this->applies === null || ($client->sex !== $this->applies->string('not_sex')
            && $client->age >= $this->applies->int('age_from') && $client->age <= $this->applies->int('age_to'));
    }

    /** Whether it is so by what is known of the client, though nobody asked. */
    public function isImpliedBy(Client $client): bool
    {
        return $this->weeksSinceBirth !== null && $client->weeksSinceBirth !== null && $client->weeksSinceBirth <= $this->weeksSinceBirth;
    }

    /** @return list<LimitTemplate> everything up to and with that column */
    public function upTo(int $column): array
    {
        return array_merge(...array_slice($this->columns, 0, $column + 1));
    }

    /** Whether how bad it is changes what follows. */
    public function turnsOnSeverity(): bool
    {
        [$mild, $moderate, $severe] = $this->columns;

        return $mild != $moderate || $moderate != $severe;
    }

    /** @return list<string> what is worth asking of it: severity, swelling, controlled, pressure, weeks */
    public function details(): array
    {
        $keys = array_merge([], ...array_map(static fn (ExtraRule $extra): array => $extra->details(), $this->extra));
        $asks = [
            'severity' => $this->turnsOnSeverity(),
            'swelling' => $this->signsAt !== null || in_array('swelling', $keys, true), 'controlled' => in_array('controlled', $keys, true),
            'pressure' => in_array('systolic_at_least', $keys, true), 'weeks' => in_array('weeks_over', $keys, true),
        ];

        return array_keys(array_filter($asks));
    }

    public function isGraded(): bool
    {
        return array_merge(...$this->columns) !== [] || $this->always !== [] || $this->extra !== [];
    }
}
