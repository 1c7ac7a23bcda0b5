<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Data\Fields;

/** What was said of one condition, with the severity and stage that decide what it means. */
final readonly class ConditionAnswer
{
    /**
     * @param  list<Place>  $zones
     * @param  Leave|null  $leave  what a doctor said; null when nobody has asked one
     */
    public function __construct(
        public string $condition,
        public Answer $answer,
        public ?Severity $severity = null,
        public ?Stage $stage = null,
        public array $zones = [],
        public ?\DateTimeImmutable $since = null,
        public ?SwellingTrend $swellingTrend = null,
        public ?Answer $controlled = null,
        public ?int $weeksPregnant = null,
        public ?int $systolic = null,
        public ?int $diastolic = null,
        public ?\DateTimeImmutable $on = null,
        public ?Leave $leave = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('condition'), Answer::from($f->string('answer')),
            Severity::tryFrom($f->stringOrNull('severity') ?? ''), Stage::tryFrom($f->stringOrNull('stage') ?? ''),
            $f->map('zones', Place::from(...)), Dates::orNull($f->stringOrNull('since')),
            SwellingTrend::tryFrom($f->stringOrNull('swelling_trend') ?? ''),
            Answer::tryFrom($f->stringOrNull('controlled') ?? ''), $f->intOrNull('weeks_pregnant'),
            $f->intOrNull('systolic'), $f->intOrNull('diastolic'), Dates::orNull($f->stringOrNull('on')),
            $f->fieldsOrNull('leave') === null ? null : Leave::from($f->fields('leave')),
        );
    }
}
