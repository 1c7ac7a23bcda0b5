<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** Skin of this kind. */
final readonly class Skin implements Condition
{
    public function __construct(private string $skin)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->case->client->skin === $this->skin ? Answer::Yes : Answer::No;
    }
}
