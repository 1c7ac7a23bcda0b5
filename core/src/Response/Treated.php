<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\MuscleAt;

/** A muscle worked before: how often, whether it is quiet now, and whether the complaint it was worked for eased. */
final readonly class Treated
{
    public function __construct(public MuscleAt $at, public int $visits, public bool $quiet, public ?bool $complaintEased)
    {
    }
}
