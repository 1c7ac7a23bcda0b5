<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Data\Fields;

/** The calf score and what counts as a sign of it, from data. */
final readonly class ClotRules
{
    /**
     * @param  array<string, array{ask: string, points: int}>  $items
     * @param  float  $calfDifferenceCm  a calf larger by more than this answers the item of that name
     * @param  float  $legSignCm  a calf larger by this much is a sign, whatever was said
     * @param  string  $flag  the danger signal that says the same
     * @param  string  $girthTest  what measures a calf
     * @param  string  $measuredItem  the item that measuring answers
     * @param  string  $where  what is left alone when there is a sign: a set of places
     */
    private function __construct(
        public array $items,
        public int $suspicionFrom,
        public float $calfDifferenceCm,
        public float $legSignCm,
        public string $flag,
        public string $girthTest,
        public string $measuredItem,
        public string $where,
    ) {
    }

    public static function from(Fields $file): self
    {
        $items = [];
        foreach ($file->list('items') as $row) {
            $items[$row->string('id')] = ['ask' => $row->string('ask'), 'points' => $row->int('points')];
        }

        return new self(
            $items, $file->int('suspicion_from'), $file->float('calf_difference_cm'), $file->float('leg_sign_cm'), $file->string('flag'),
            $file->string('girth_test'), $file->string('measured_item'), $file->string('where'),
        );
    }
}
