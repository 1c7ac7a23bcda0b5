<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Data\Fields;

/** Something of today that a way of working does not go with: what a limb feels like, what was answered, or a muscle that is too tender. */
final readonly class Sign
{
    /**
     * @param  string  $words  within a sentence
     * @param  list<string>  $qualities  of a complaint in the zones of the group
     * @param  string|null  $group  of zones
     */
    private function __construct(
        public string $words,
        private array $qualities,
        private ?string $group,
        private ?string $condition,
        private ?string $muscle,
        private int $tenderness,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('words'), $row->strings('qualities'), $row->stringOrNull('group'), $row->stringOrNull('condition'),
            $row->stringOrNull('muscle'),
            $row->intOrNull('tenderness') ?? PHP_INT_MAX,
        );
    }

    public function holds(CaseFile $case, Atlas $atlas, Side $side): bool
    {
        foreach ($case->findings->complaints as $complaint) {
            if (
                $complaint->side === $side && $atlas->zone($complaint->zone)->group === $this->group
                    && array_intersect($complaint->qualities, $this->qualities) !== []
            ) {
                return true;
            }
        }
        foreach ($case->health->conditions as $answer) {
            if ($answer->condition === $this->condition && $answer->answer === Answer::Yes) {
                return true;
            }
        }
        foreach ($case->findings->palpation as $felt) {
            if ($felt->muscle === $this->muscle && $felt->side === $side && ($felt->tenderness ?? 0) >= $this->tenderness) {
                return true;
            }
        }

        return false;
    }
}
