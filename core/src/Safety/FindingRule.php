<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\CaseFile\Severity;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Safety\When\Condition;
use Somatrace\Core\Safety\When\Conditions;

/** What hands measured, and what it means for today. */
final readonly class FindingRule
{
    /**
     * @param  bool  $eachSide  whether it is asked of each side by itself; its limits then lie on that side
     * @param  list<LimitTemplate>  $limits
     * @param  string|null  $countsAs  a condition it is as good as, with that severity, in these zones
     * @param  string|null  $ask  what is asked because of it
     * @param  bool  $disagrees  whether an answer says otherwise
     */
    private function __construct(
        public string $id,
        public string $label,
        public bool $eachSide,
        public Condition $when,
        public ?Verdict $verdict,
        public ?int $days,
        public array $limits,
        public ?string $countsAs,
        public ?Severity $severity,
        public ?string $at,
        public ?string $ask,
        public bool $disagrees,
        public string $reason,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        $as = $row->fieldsOrNull('counts_as');

        return new self(
            $row->string('id'), $row->string('label'), $row->bool('each_side'), Conditions::from($row->fields('when')),
            Verdict::tryFrom($row->stringOrNull('verdict') ?? ''), $row->intOrNull('days'), $row->map('limits', LimitTemplate::from(...)),
            $as?->string('condition'), Severity::tryFrom($as?->string('severity') ?? ''), $as?->string('at'),
            $row->stringOrNull('ask'), $row->bool('disagrees'), $row->string('reason'), $row->string('source'),
        );
    }
}
