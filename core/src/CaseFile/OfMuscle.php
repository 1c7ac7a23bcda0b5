<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\MuscleAt;

/** Something that is said of one muscle on one side. */
interface OfMuscle
{
    public function at(): MuscleAt;

    /** The same, said of another muscle: a part of that one. */
    public function of(string $muscle): static;
}
