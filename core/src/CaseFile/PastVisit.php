<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

final readonly class PastVisit
{
    /**
     * @param  list<Done>  $done
     * @param  list<Aftermath>  $aftermath
     * @param  list<Check>  $checks  what was measured again between, in the order of the table
     */
    public function __construct(
        public \DateTimeImmutable $date,
        public Findings $findings = new Findings,
        public Findings $after = new Findings,
        public array $done = [],
        public array $aftermath = [],
        public ?string $at = null,
        public array $checks = [],
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            Dates::of($f->string('date')), Findings::from($f->fields('findings')), Findings::from($f->fields('after')),
            array_map(Done::from(...), $f->having('done', 'muscle')), $f->map('aftermath', Aftermath::from(...)), $f->stringOrNull('at'),
            $f->map('checks', Check::from(...)),
        );
    }
}
