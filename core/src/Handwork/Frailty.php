<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Data\Fields;

/** Who is worked on for a part of the usual minutes only: the old, the pregnant, thin skin, long steroids, soreness all over. */
final readonly class Frailty
{
    /** @param  list<string>  $conditions */
    private function __construct(
        private float $share,
        private int $age,
        private string $skin,
        private array $conditions,
        private string $medicine,
        private int $weeks,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->float('share'), $row->int('age'), $row->string('skin'), $row->strings('conditions'), $row->string('medicine'),
            $row->int('medicine_weeks'),
        );
    }

    /** The share of the usual minutes; of several reasons one counts. */
    public function share(CaseFile $case): float
    {
        return $this->is($case) ? $this->share : 1.0;
    }

    private function is(CaseFile $case): bool
    {
        if ($case->client->age >= $this->age || $case->client->skin === $this->skin) {
            return true;
        }
        foreach ($case->health->conditions as $answer) {
            if ($answer->answer === Answer::Yes && in_array($answer->condition, $this->conditions, true)) {
                return true;
            }
        }
        foreach ($case->health->medicines as $answer) {
            if (
                $answer->answer === Answer::Yes && $answer->medicine === $this->medicine
                    && ($answer->weeksAt($case->asOf) ?? PHP_INT_MAX) >= $this->weeks
            ) {
                return true;
            }
        }

        return false;
    }
}
