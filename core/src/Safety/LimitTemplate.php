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
        public ?string $site,
        public string $instead,
        public ?Side $oneSided,
        public ?Fields $offer,
        public ?Verdict $verdict,
        public ?int $days,
        private bool $givenSide,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            Effect::tryFrom($row->stringOrNull('effect') ?? ''), $row->scalar('value'), $row->stringOrNull('where'),
            $row->stringOrNull('technique'), $row->stringOrNull('tool'), $row->stringOrNull('position'), $row->stringOrNull('product'),
            $row->stringOrNull('muscle'), $row->stringOrNull('site'),
            $row->stringOrNull('instead') ?? '', Side::tryFrom($row->stringOrNull('one_sided') ?? ''), $row->fieldsOrNull('offer'),
            Verdict::tryFrom($row->stringOrNull('verdict') ?? ''), $row->intOrNull('days'), $row->bool('given_side'),
        );
    }

    /** Whether it needs to know where the trouble sits. */
    public function isLocal(): bool
    {
        return $this->givenSide || in_array($this->where, ['zones', 'near', 'device', 'bound'], true);
    }

    /**
     * @param  list<Place>  $given  where the client has it; nothing given means everywhere
     * @param  Side|null  $only  the side the rule was asked for; both without it
     * @return list<Limit>
     */
    public function limits(Atlas $atlas, string $rule, string $cause, array $given, ?Side $only = null): array
    {
        if ($this->effect === null) {
            return [];
        }
        $sides = match (true) {
            // what lies on one side only stays on its true side, whichever side the client complains of
            $this->oneSided !== null => [$this->oneSided],
            $only !== null => [$only],
            $this->givenSide => array_map(static fn (Place $place): Side => $place->side, $given),
            default => [],
        };
        $limits = [];
        foreach ($this->places($atlas, $given, $sides) ?? [null] as $place) {
            foreach ($this->muscles($sides) as $muscle) {
                $scope = new Scope($place, $this->technique, $this->tool, $this->position, $this->product, $muscle, $this->site);
                $limits[] = new Limit(
                    $this->effect, $scope, $this->value, [$rule], [$this->sentence($atlas, $cause, $place, $muscle)], $this->instead,
                    cause: $cause,
                );
            }
        }

        return $limits;
    }

    /**
     * @param  list<Side>  $sides  those it holds on; none means both
     * @return non-empty-list<MuscleAt|null> the muscle it names
     */
    private function muscles(array $sides): array
    {
        $paired = array_values(array_filter($sides, static fn (Side $side): bool => $side !== Side::Midline));

        return match (true) {
            $this->muscle === null => [null],
            default => array_map(
                fn (Side $side): MuscleAt => new MuscleAt((string) $this->muscle, $side), $paired === [] ? Side::pair() : $paired,
            ),
        };
    }

    /**
     * @param  list<Place>  $given
     * @param  list<Side>  $sides
     * @return list<Place>|null null for everywhere
     */
    private function places(Atlas $atlas, array $given, array $sides): ?array
    {
        $places = match (true) {
            $this->where === null, $this->isLocal() && ! $this->givenSide && $given === [] => null,
            $this->where === 'zones' => $given,
            $this->where === 'near' => array_merge(...array_map($atlas->near(...), $given)),
            $this->where === 'device' => array_merge(...array_map($atlas->around(...), $given)),
            $this->where === 'bound' => array_merge(...array_map($atlas->bound(...), $given)),
            default => $this->onSides($atlas->placesOf($this->where), $sides),
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
     * @param  list<Place>  $places
     * @param  list<Side>  $sides
     * @return list<Place>
     */
    private function onSides(array $places, array $sides): array
    {
        return array_values(array_filter(
            $places,
            static fn (Place $place): bool => $sides === [] || $place->side === Side::Midline || in_array($place->side, $sides, true),
        ));
    }

    /** What it does, for a reader of the rules, not for one client. */
    public function words(Atlas $atlas): string
    {
        if ($this->verdict !== null) {
            return $this->verdict->value.($this->days === null ? '' : " ({$this->days} d)");
        }
        $where = match ($this->where) {
            null => $this->muscle === null
                ? 'anywhere'
                : 'at: '.$atlas->muscle($this->muscle)->name.($this->oneSided === null ? '' : ", {$this->oneSided->value}"),
            'zones' => 'at the place',
            'near' => 'near the place',
            'device' => 'at the device and beside it',
            'bound' => 'at the place, its neighbours and what its muscles pull on',
            default => 'at: '.str_replace('_', ' ', $this->where).($this->givenSide ? ', that side' : ''),
        };

        return $this->clause($atlas, $where, $where !== 'anywhere');
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
        $value = str_replace('_', ' ', (string) $this->value);

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
