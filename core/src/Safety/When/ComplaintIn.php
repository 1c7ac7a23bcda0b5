<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class ComplaintIn implements Condition
{
    /** @param  list<string>  $zones */
    public function __construct(private array $zones)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->complaintIn($this->zones);
    }
}
