<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/**
 * Something a technique is not used with: a condition so bad or so fresh, one that is not settled, or a red flag; and where it is not used
 * then.
 */
final readonly class NotWith
{
    /**
     * @param  list<string>  $stages  only in these; in every stage when empty
     * @param  string  $where  there, near, bound, device, everywhere, or a set of zones
     */
    private function __construct(
        public ?string $condition,
        public ?string $unsettled,
        public ?string $flag,
        public ?string $severityFrom,
        public array $stages,
        public ?int $withinDays,
        public string $where,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->stringOrNull('condition'), $row->stringOrNull('unsettled'), $row->stringOrNull('flag'),
            $row->stringOrNull('severity_from'),
            $row->strings('stages'), $row->intOrNull('within_days'), $row->string('where'),
        );
    }

    /** What it is, in the words of whoever names conditions and flags. */
    public function words(string $named): string
    {
        return implode(', ', array_filter([
            $named,
            $this->unsettled === null ? null : 'not yet settled',
            $this->severityFrom === null ? null : "from {$this->severityFrom}",
            $this->stages === [] ? null : implode(' or ', $this->stages),
            $this->withinDays === null ? null : "within {$this->withinDays} days",
        ])).match ($this->where) {
            'everywhere' => '',
            'there' => ': not there',
            'near', 'bound' => ': not near it',
            'device' => ': not beside it',
            default => ': not at '.str_replace('_', ' ', $this->where),
        };
    }
}
