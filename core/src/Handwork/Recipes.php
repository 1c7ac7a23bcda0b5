<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/**
 * What the work on a target is made of, by what it is found like and how much is done, from data.
 *
 * @phpstan-type Part array{slots: non-empty-list<string>, main: bool}
 */
final readonly class Recipes
{
    /**
     * @param  array<string, Slot>  $slots
     * @param  array<string, array{words: string, fixed: string|null, sizes: array<string, list<Part>>}>  $situations
     * @param  array<string, float>  $share  of the way from the least to the most of a dose, by size
     * @param  float  $overhead  what finding, moving and asking add
     * @param  list<string>  $firstPlaces  zones in which a first time is one light hold
     * @param  array<string, string>  $otherHand  what it does, by kind of technique
     * @param  string  $barredWhenAcute  work that a fresh inflammation forbids
     * @param  string  $acuteRule  the rule that forbids it then
     * @param  array<string, string>  $slotWays  the slot whose ways of a routine hold for another too
     * @param  array<string, Sign>  $signs
     */
    private function __construct(
        private array $slots,
        private array $situations,
        private array $share,
        public float $overhead,
        public float $breathSeconds,
        public int $mostPoints,
        public int $mostPointsDelicate,
        public float $mostHoldSecondsDelicate,
        public array $firstPlaces,
        public array $otherHand,
        public string $tendonCondition,
        public string $strainCondition,
        public string $barredWhenAcute,
        public string $acuteRule,
        private array $slotWays,
        private array $signs,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/compositions.json");
        $slots = $situations = [];
        foreach ($file->fields('slots')->keys() as $id) {
            $slots[$id] = Slot::from($id, $file->fields('slots')->fields($id));
        }
        foreach ($file->fields('situations')->keys() as $id) {
            $row = $file->fields('situations')->fields($id);
            $situations[$id] = [
                'words' => $row->string('words'), 'fixed' => $row->stringOrNull('fixed'),
                'sizes' => array_combine(
                    array_column(Size::cases(), 'value'),
                    array_map(static fn (Size $size): array => self::parts($row, $size), Size::cases()),
                ),
            ];
        }

        return new self(
            $slots, $situations, $file->floatMap('sizes'), $file->float('overhead'), $file->float('breath_seconds'),
            $file->int('most_points'),
            $file->int('most_points_delicate'), $file->float('most_hold_seconds_delicate'), $file->strings('first_places'),
            $file->stringMap('other_hand'), $file->string('tendon_condition'), $file->string('strain_condition'),
            $file->string('barred_when_acute'), $file->string('acute_rule'), $file->stringMap('slot_ways'),
            self::signs($file->fields('signs')),
        );
    }

    /** @return list<Part> in order; of the slots of a part the first that can be filled */
    public function of(Situation $situation, Size $size): array
    {
        return $this->situations[$situation->value]['sizes'][$size->value];
    }

    public function words(Situation $situation): string
    {
        return $this->situations[$situation->value]['words'];
    }

    /** Why nothing but its own techniques is done then; null where the therapist may choose others. */
    public function fixed(Situation $situation): ?string
    {
        return $this->situations[$situation->value]['fixed'];
    }

    /** @return list<string> techniques its work may be made of, those of the main part first */
    public function techniques(Situation $situation): array
    {
        $parts = array_merge(...array_values($this->situations[$situation->value]['sizes']));
        usort($parts, static fn (array $a, array $b): int => $b['main'] <=> $a['main']);

        return array_values(array_unique(array_merge(...array_map(
            fn (string $slot): array => $this->slots[$slot]->techniques, array_merge(...array_column($parts, 'slots')),
        ))));
    }

    public function isMain(Situation $situation, string $slot): bool
    {
        $parts = array_merge(...array_values($this->situations[$situation->value]['sizes']));

        return array_filter($parts, static fn (array $part): bool => $part['main'] && in_array($slot, $part['slots'], true)) !== [];
    }

    /** As what a technique is done that was chosen by hand: within the bounds of its part of the work, of another's, or by itself. */
    public function slotWith(string $technique, Situation $situation): Slot
    {
        $own = array_merge(...array_column(array_merge(...array_values($this->situations[$situation->value]['sizes'])), 'slots'));
        $free = array_keys(array_filter($this->slots, static fn (Slot $slot): bool => ! $slot->isOnlyByRoutine));
        foreach ([...$own, ...$free] as $id) {
            if (in_array($technique, $this->slots[$id]->techniques, true)) {
                return $this->slots[$id]->only($technique);
            }
        }

        return Slot::byHand($technique);
    }

    public function slot(string $id): Slot
    {
        return $this->slots[$id];
    }

    public function share(Size $size): float
    {
        return $this->share[$size->value];
    }

    /** The slot of a routine that tells how this one is done. */
    public function wayOf(string $slot): string
    {
        return $this->slotWays[$slot] ?? $slot;
    }

    public function sign(string $id): Sign
    {
        return $this->signs[$id] ?? throw UnknownId::in('sign', $id);
    }

    /** @return array<string, Sign> */
    private static function signs(Fields $rows): array
    {
        return array_combine($rows->keys(), array_map(static fn (string $id): Sign => Sign::from($rows->fields($id)), $rows->keys()));
    }

    /** @return list<Part> */
    private static function parts(Fields $row, Size $size): array
    {
        return array_map(static function (string $part): array {
            $slots = array_map(static fn (string $slot): string => rtrim($slot, '!'), explode('|', $part));

            return ['slots' => $slots, 'main' => str_contains($part, '!')];
        }, $row->strings($size->value));
    }
}
