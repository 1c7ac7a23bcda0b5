<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Side;

/** The published score for a suspected leg vein clot: the sum of what was answered yes, and how far it could still move. */
final readonly class ClotScore
{
    /**
     * @param  array<string, array{points: int, answer: string}>  $items
     * @param  bool  $sign  whether a sign of it is there, said or measured
     * @param  Side|null  $side  the leg that was measured larger; null where it may be either
     */
    public function __construct(
        public int $sum,
        public int $least,
        public int $most,
        public array $items,
        public bool $suspected,
        public bool $sign,
        public ?Side $side,
    ) {
    }

    /** @return array{sum: int, least: int, most: int, suspected: bool, items: array<string, array{points: int, answer: string}>} */
    public function toArray(): array
    {
        return [
            'sum' => $this->sum, 'least' => $this->least, 'most' => $this->most, 'suspected' => $this->suspected, 'items' => $this->items,
        ];
    }
}
