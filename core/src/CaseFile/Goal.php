<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** What somebody wants to be able to do or to be rid of, as a measure and the value it should come to; by when, where a day was named. */
final readonly class Goal
{
    /** @param  string  $measure  its key in the book of measures: complaint.…, function.… or range.….active */
    public function __construct(public string $measure, public Side $side, public float $value, public ?\DateTimeImmutable $by = null)
    {
    }

    /** Given up, or no longer what somebody wants. */
    public static function isOver(Fields $f): bool
    {
        return $f->bool('over');
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('measure'), Side::from($f->string('side')), $f->float('value'), Dates::orNull($f->stringOrNull('by')),
        );
    }
}
