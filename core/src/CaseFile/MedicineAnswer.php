<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Data\Fields;

final readonly class MedicineAnswer
{
    /**
     * @param  list<Place>  $places  where it is given
     * @param  int|null  $weeks  for how long it has been taken
     * @param  float|null  $lastDoseHours  hours since the last dose
     * @param  list<string>  $named  which it is, by its own name
     */
    public function __construct(
        public string $medicine,
        public Answer $answer,
        public ?\DateTimeImmutable $since = null,
        public array $places = [],
        public ?Severity $severity = null,
        public ?int $weeks = null,
        public ?Answer $shortActing = null,
        public ?float $lastDoseHours = null,
        public array $named = [],
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('medicine'), Answer::from($f->string('answer')), Dates::orNull($f->stringOrNull('since')),
            $f->map('places', Place::from(...)),
            Severity::tryFrom($f->stringOrNull('severity') ?? ''), $f->intOrNull('weeks'),
            Answer::tryFrom($f->stringOrNull('short_acting') ?? ''),
            $f->floatOrNull('last_dose_hours'), $f->strings('named'),
        );
    }

    /** For how many weeks it has been taken, said or told by the day it began; null when neither is known. */
    public function weeksAt(\DateTimeImmutable $day): ?int
    {
        return $this->weeks ?? ($this->since === null ? null : intdiv(Dates::days($this->since, $day), 7));
    }
}
