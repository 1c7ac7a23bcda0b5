<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\MedicineAnswer;
use Somatrace\Core\Healing\Tissue;

/** The answer a rule is about: of a condition with the tissue at its place, or of a medicine. */
final readonly class InHand
{
    private function __construct(public ?ConditionAnswer $condition, public ?Tissue $tissue, public ?MedicineAnswer $medicine)
    {
    }

    public static function condition(ConditionAnswer $answer, Tissue $tissue): self
    {
        return new self($answer, $tissue, null);
    }

    public static function medicine(MedicineAnswer $answer): self
    {
        return new self(null, null, $answer);
    }
}
