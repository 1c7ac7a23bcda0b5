<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Data\Fields;

/** How high the table stands for a plan: lower than usual where weight is to come from above. Practice default. */
final readonly class TableHeight
{
    /** @param  list<string>  $tools  that are leant on from above */
    private function __construct(private float $lowerCm, private float $fromShare, private array $tools)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->float('lower_cm'), $f->float('from_share'), $f->strings('tools'));
    }

    /**
     * @param  array<string, float>  $load  firm minutes by tool
     * @param  float|null  $usualCm  how high it usually stands; not told, nothing is said
     * @return array{cm: float, lower: bool}|null
     */
    public function of(array $load, ?float $usualCm): ?array
    {
        if ($usualCm === null) {
            return null;
        }
        $leant = array_sum(array_intersect_key($load, array_flip($this->tools)));
        $lower = $leant > 0 && $leant >= $this->fromShare * array_sum($load);

        return ['cm' => $lower ? $usualCm - $this->lowerCm : $usualCm, 'lower' => $lower];
    }
}
