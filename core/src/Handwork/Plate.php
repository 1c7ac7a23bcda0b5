<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Units\Force;
use Somatrace\Core\Units\TissuePressure;

/**
 * A plate of even tissue a therapist presses on to learn their own hands: what stands for a feeling on it, and what is read from what they
 * made. Practice defaults.
 */
final readonly class Plate
{
    /** @param  int  $aimsLeast  different feelings aimed at, fewer of which tell nothing */
    private function __construct(
        private float $kPaPerPoint,
        private float $leastShare,
        private float $mostShare,
        private int $aimsLeast,
    ) {
    }

    /** @param  float  $thresholdFelt  how strong a pressure-pain threshold feels, 0–10 */
    public static function from(Fields $f, float $thresholdFelt): self
    {
        return new self($f->float('ppt_kpa') / $thresholdFelt, $f->float('least_share'), $f->float('most_share'), $f->int('aims_least'));
    }

    /**
     * What is aimed at with a tool: a little, firmly, deep, as far as it goes.
     *
     * @return non-empty-list<int> feelings, 0–10
     */
    public function aims(Tool $tool): array
    {
        $most = (int) $tool->strongestFelt;

        return match (true) {
            $most >= 7 => [3, 5, 7],
            $most >= 5 => [3, 5],
            default => [2, $most],
        };
    }

    /** What stands for that feeling, 0–10, with a tool whose contact is the usual one. */
    public function expected(Tool $tool, float $felt): Force
    {
        return $tool->force(TissuePressure::ofKPa($felt * $this->kPaPerPoint));
    }

    /**
     * How much of the usual contact area carries the pressure of these hands: the line through zero that lies nearest to what they made,
     * against that of the usual area. Null where too few feelings were aimed at.
     *
     * @param  array<array{float, float}>  $made  feeling aimed at, newtons
     */
    public function share(Tool $tool, array $made): ?float
    {
        $made = array_filter($made, static fn (array $one): bool => $one[0] > 0);
        $usual = $this->expected($tool, 1)->newtons;
        if ($usual <= 0 || count(array_unique(array_column($made, 0), SORT_REGULAR)) < $this->aimsLeast) {
            return null;
        }
        $slope = array_sum(array_map(static fn (array $one): float => $one[0] * $one[1], $made))
            / array_sum(array_map(static fn (array $one): float => $one[0] ** 2, $made));

        // farther off nobody was aiming
        return max($this->leastShare, min($this->mostShare, $slope / $usual));
    }
}
