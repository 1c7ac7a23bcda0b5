<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;
use Somatrace\Core\Safety\UnknownRulePart;

/** How bad it is, whether it is under control, where its swelling goes: told as one of these. */
final readonly class ToldAs implements Condition, Detail
{
    /** @param  list<string>  $values */
    public function __construct(private string $detail, private array $values)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $answer = $intake->inHand?->condition;
        $told = match ($this->detail) {
            'controlled' => ($answer->controlled ?? Answer::Unknown)->value,
            'swelling' => $intake->inHand?->tissue?->swelling?->value,
            'severity' => $answer?->severity?->value,
            default => throw UnknownRulePart::named($this->detail),
        };

        return in_array($told, $this->values, true) ? Answer::Yes : Answer::No;
    }

    public function details(): array
    {
        return [$this->detail];
    }

    public function words(): string
    {
        return "{$this->detail} ".implode(' or ', $this->values);
    }
}
