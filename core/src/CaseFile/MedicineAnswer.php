<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Data\Fields;

final readonly class MedicineAnswer
{
    /** @param  list<Place>  $places */
    public function __construct(public string $medicine, public Answer $answer, public ?\DateTimeImmutable $since = null, public array $places = [])
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('medicine'), Answer::from($f->string('answer')), Dates::orNull($f->stringOrNull('since')), $f->map('places', Place::from(...)));
    }
}
