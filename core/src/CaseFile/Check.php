<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** What was measured again in the middle of a visit, and what had been worked since it was measured before. */
final readonly class Check
{
    /** @param  list<MuscleAt>  $worked */
    public function __construct(public array $worked, public Findings $findings)
    {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->map('worked', static fn (Fields $at): MuscleAt => new MuscleAt($at->string('muscle'), Side::from($at->string('side')))),
            Findings::from($f->fields('findings')),
        );
    }
}
