<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Goal;
use Somatrace\Core\Measures\Measure;

/** How far a goal is reached: from where it was first measured; nothing where it never was. */
final readonly class GoalProgress
{
    /**
     * @param  Measure|null  $measure  null where nobody has measured it yet
     * @param  float|null  $share  of the way, 0–1; null where it is not measured
     * @param  int  $kept  on how many of its readings in a row, up to the last, it was reached
     * @param  bool  $isOverdue  the day that was named has passed
     */
    private function __construct(
        public Goal $goal,
        public ?Measure $measure,
        public ?float $share,
        public int $kept,
        public bool $isOverdue,
    ) {
    }

    /** @param  list<Measure>  $measures */
    public static function of(Goal $goal, array $measures, \DateTimeImmutable $today): self
    {
        foreach ($measures as $measure) {
            if ($measure->key !== $goal->measure || $measure->side !== $goal->side) {
                continue;
            }
            $values = array_column($measure->series, 1);
            $reached = static fn (float $value): bool => $measure->largerIsBetter ? $value >= $goal->value : $value <= $goal->value;
            $kept = 0;
            foreach (array_reverse($values) as $value) {
                if (! $reached($value)) {
                    break;
                }
                $kept++;
            }
            $way = $goal->value - $values[0];
            $share = $kept > 0 || $way === 0.0 ? (float) ($kept > 0) : ($values[count($values) - 1] - $values[0]) / $way;

            return new self($goal, $measure, max(0.0, min(1.0, $share)), $kept, $kept === 0 && $goal->by !== null && $goal->by < $today);
        }

        return new self($goal, null, null, 0, $goal->by !== null && $goal->by < $today);
    }

    public function isReached(): bool
    {
        return $this->kept > 0;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'measure' => $this->goal->measure, 'side' => $this->goal->side->value, 'name' => $this->measure?->name,
            'unit' => $this->measure?->unit, 'value' => $this->goal->value, 'by' => $this->goal->by?->format('Y-m-d'),
            'share' => $this->share === null ? null : round($this->share, 3),
            'kept' => $this->kept, 'reached' => $this->isReached(), 'overdue' => $this->isOverdue,
        ];
    }
}
