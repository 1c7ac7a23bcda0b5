<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** At least so many movements and muscles of the region were examined, and none brought the pain of the client on. */
final readonly class Unexplained implements Condition
{
    public function __construct(private int $movements, private int $muscles)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->reproduction->unexplained($intake->case, $this->movements, $this->muscles) ? Answer::Yes : Answer::No;
    }
}
