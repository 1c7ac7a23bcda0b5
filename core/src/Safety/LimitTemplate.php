<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** A limit as the data writes it, before it is known where on this client it lands. */
final readonly class LimitTemplate
{
    private function __construct(
        public ?Effect $effect,
        public float|string|null $value,
        public ?string $where,
        public ?string $technique,
        public ?string $tool,
        public ?string $position,
        public ?string $product,
        public ?string $muscle,
        public string $instead,
        public ?Side $oneSided,
        public ?Fields $offer,
        public ?Verdict $verdict,
        public ?int $days,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            Effect::tryFrom($row->stringOrNull('effect') ?? ''), $row->scalar('value'), $row->stringOrNull('where'),
            $row->stringOrNull('technique'), $row->stringOrNull('tool'), $row->stringOrNull('position'), $row->stringOrNull('product'), $row->stringOrNull('muscle'),
            $row->stringOrNull('instead') ?? '', Side::tryFrom($row->stringOrNull('one_sided') ?? ''), $row->fieldsOrNull('offer'),
            Verdict::tryFrom($row->stringOrNull('verdict') ?? ''), $row->intOrNull('days'),
        );
    }

    /** Whether it needs to know where the trouble sits. */
    public function isLocal(): bool
    {
        return in_array($this->where, ['zones', 'near', 'device', 'shoulder_side'], true);
    }

    /**
     * @param  list<Place>  $given  where the client has it; nothing given means everywhere
     * @return list<Limit>
     */
    public function limits(Atlas $atlas, string $rule, string $cause, array $given): array
    {
        if ($this->effect === null) {
            return [];
        }
        $limits = [];
        foreach ($this->places($atlas, $given) ?? [null] as $place) {
            foreach ($this->muscles() as $muscle) {
                $scope = new Scope($place, $this->technique, $this->tool, $this->position, $this->product, $muscle);
                $limits[] = new Limit($this->effect, $scope, $this->value, [$rule], [$this->sentence($atlas, $cause, $place, $muscle)], $this->instead);
            }
        }

        return $limits;
    }

    /** @return non-empty-list<MuscleAt|null> the muscle it names, on both sides or on the one it lies on */
    private function muscles(): array
    {
        return match (true) {
            $this->muscle === null => [null],
            $this->oneSided !== null => [new MuscleAt($this->muscle, $this->oneSided)],
            default => array_map(fn (Side $side): MuscleAt => new MuscleAt((string) $this->muscle, $side), Side::pair()),
        };
    }

    /**
     * @param  list<Place>  $given
     * @return list<Place>|null null for everywhere
     */
    private function places(Atlas $atlas, array $given): ?array
    {
        $sides = array_unique(array_map(static fn (Place $place): string => $place->side->value, $given));
        $places = match (true) {
            $this->where === null, $this->isLocal() && $given === [] && $this->where !== 'shoulder_side' => null,
            $this->where === 'zones' => $given,
            $this->where === 'near' => array_merge(...array_map($atlas->near(...), $given)),
            $this->where === 'device' => array_merge(...array_map($atlas->around(...), $given)),
            $this->where === 'shoulder_side' => $this->bothSides($atlas, 'shoulder', $sides),
            // what lies on one side only stays on its true side, whichever side the client complains of
            default => $this->bothSides($atlas, $this->where, $this->oneSided === null ? [] : [$this->oneSided->value]),
        };
        if ($places === null) {
            return null;
        }
        $distinct = [];
        foreach ($places as $place) {
            $distinct[$place->key()] = $place;
        }

        return array_values($distinct);
    }

    /**
     * @param  array<string>  $onlySides
     * @return list<Place>
     */
    private function bothSides(Atlas $atlas, string $set, array $onlySides): array
    {
        return array_values(array_filter(
            $atlas->placesOf($set),
            static fn (Place $place): bool => $onlySides === [] || $place->side === Side::Midline || in_array($place->side->value, $onlySides, true),
        ));
    }

    /** What it does, for a reader of the rules, not for one client. */
    public function words(Atlas $atlas): string
    {
        if ($this->verdict !== null) {
            return $this->verdict->value.($this->days === null ? '' : " ({$this->days} d)");
        }
        $where = match ($this->where) {
            null => $this->muscle === null ? 'anywhere' : 'at: '.$atlas->muscle($this->muscle)->name.($this->oneSided === null ? '' : ", {$this->oneSided->value}"),
            'zones' => 'at the place',
            'near' => 'near the place',
            'device' => 'at the device and beside it',
            'shoulder_side' => 'on that shoulder',
            default => 'at: '.str_replace('_', ' ', $this->where),
        };

        return $this->clause($atlas, $where, $this->where !== null || $this->muscle !== null);
    }

    private function sentence(Atlas $atlas, string $cause, ?Place $place, ?MuscleAt $muscle): string
    {
        $at = array_filter([$muscle === null ? null : $atlas->nameOf($muscle), $place === null ? null : $atlas->placeName($place)]);

        return ucfirst($cause).': '.$this->clause($atlas, $at === [] ? 'anywhere' : 'at: '.implode(', ', $at), $at !== []).'.';
    }

    private function clause(Atlas $atlas, string $where, bool $placed): string
    {
        $what = match (true) {
            $this->technique !== null => strtolower($atlas->technique($this->technique)->name),
            $this->tool !== null => $atlas->tool($this->tool)->name,
            $this->position !== null => 'lying '.$atlas->position($this->position)->name,
            $this->product !== null => $atlas->products[$this->product] ?? $this->product,
            default => '',
        };
        $value = is_float($this->value) ? (string) $this->value : str_replace('_', ' ', (string) $this->value);

        return match ($this->effect) {
            Effect::Avoid => "nothing is pressed $where",
            Effect::CapPressure => "pressure at most $value, $where",
            Effect::CapMinutes => "at most $value minutes, $where",
            Effect::Exclude => "no $what".($placed ? ", $where" : ''),
            Effect::Consent => "needs agreement: $value",
            Effect::Glove => "gloves, where needed: $value",
            Effect::DoctorFirst => 'a doctor is asked first',
            Effect::CheckFirst => "check first: $value",
            Effect::Watch => "watch: $value",
            null => '',
        };
    }
}
