<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** Each of these flags was answered no, today. */
final readonly class DeniedToday implements Condition
{
    /** @param  list<string>  $flags */
    public function __construct(private array $flags)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($this->flags as $flag) {
            if ($intake->flag($flag) !== Answer::No || ! $intake->saidToday($flag)) {
                return Answer::No;
            }
        }

        return Answer::Yes;
    }
}
