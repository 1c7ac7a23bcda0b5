<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Compiled;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/**
 * Everything the core knows of the body and of the work on it, keyed by the ids of the vocabulary.
 *
 * @phpstan-type Contents array{
 *     version: string,
 *     muscles: array<string, Muscle>,
 *     zones: array<string, Zone>,
 *     zoneSets: array<string, list<string>>,
 *     movements: array<string, Movement>,
 *     tests: array<string, Test>,
 *     testSets: array<string, TestSet>,
 *     regions: array<string, Region>,
 *     postureSigns: array<string, PostureSign>,
 *     techniques: array<string, Technique>,
 *     tools: array<string, Tool>,
 *     positions: array<string, Position>,
 *     products: array<string, string>,
 *     oils: list<string>,
 *     demands: array<string, string>,
 *     consentAreas: array<string, ConsentArea>,
 *     stopSigns: list<array{id: string, name: string, do_now: string, goes_on: bool}>,
 *     answerSigns: array<string, string>,
 *     packedHandbook: string,
 *     packedHandwork: string,
 * }
 */
final class Atlas
{
    /** @var array<string, list<string>>|null */
    private ?array $parts = null;

    /** @var array<string, array<string, int>> zone → zone → steps between them on one side */
    private array $steps = [];

    private ?Handbook $handbook = null;

    private ?Handwork $handwork = null;

    /**
     * @param  array<string, Muscle>  $muscles
     * @param  array<string, Zone>  $zones
     * @param  array<string, list<string>>  $zoneSets
     * @param  array<string, Movement>  $movements
     * @param  array<string, Test>  $tests
     * @param  array<string, TestSet>  $testSets
     * @param  array<string, Region>  $regions
     * @param  array<string, PostureSign>  $postureSigns
     * @param  array<string, Technique>  $techniques
     * @param  array<string, Tool>  $tools
     * @param  array<string, Position>  $positions
     * @param  array<string, string>  $products
     * @param  list<string>  $oils  those of them that leave skin and hands slippery
     * @param  array<string, string>  $demands
     * @param  array<string, ConsentArea>  $consentAreas
     * @param  list<array{id: string, name: string, do_now: string, goes_on: bool}>  $stopSigns
     * @param  array<string, string>  $answerSigns
     */
    private function __construct(
        public readonly string $version,
        public readonly array $muscles,
        public readonly array $zones,
        public readonly array $zoneSets,
        public readonly array $movements,
        public readonly array $tests,
        public readonly array $testSets,
        public readonly array $regions,
        public readonly array $postureSigns,
        public readonly array $techniques,
        public readonly array $tools,
        public readonly array $positions,
        public readonly array $products,
        private readonly array $oils,
        public readonly array $demands,
        public readonly array $consentAreas,
        public readonly array $stopSigns,
        public readonly array $answerSigns,
        private readonly string $packedHandbook,
        private readonly string $packedHandwork,
    ) {
    }

    /**
     * Reads the folder once its files have been found right, and keeps what it read in a file of its own: checking and
     * building take a second, reading the compiled atlas a few milliseconds.
     *
     * @param  string|null  $compiled  where the compiled atlas is kept; none is kept without it
     *
     * @throws FaultyDocument with every fault of every file
     */
    public static function load(string $folder, ?string $compiled = null): self
    {
        $files = new AtlasFiles($folder);
        $file = $compiled === null ? null : self::file($compiled, $files);
        $kept = self::kept($file?->text());
        if ($kept !== null) {
            return $kept;
        }
        $files->check();
        $atlas = self::build($folder);
        $file?->keep($atlas->version."\n".serialize(array_map(serialize(...), $atlas->contents())));

        return $atlas;
    }

    private static function kept(?string $text): ?self
    {
        if ($text === null) {
            return null;
        }
        // part by part: one large graph takes half as long again
        $packed = unserialize(substr($text, self::VERSION_LINE));
        /** @var Contents $contents */
        $contents = array_map(
            static fn (mixed $part): mixed => unserialize(is_string($part) ? $part : ''), is_array($packed) ? $packed : [],
        );

        return new self(...$contents);
    }

    private static function file(string $compiled, AtlasFiles $files): Compiled
    {
        return new Compiled($compiled, $files->stamp(), __DIR__);
    }

    /** @return Contents what the constructor takes, by name */
    private function contents(): array
    {
        return [
            'version' => $this->version,
            'muscles' => $this->muscles,
            'zones' => $this->zones,
            'zoneSets' => $this->zoneSets,
            'movements' => $this->movements,
            'tests' => $this->tests,
            'testSets' => $this->testSets,
            'regions' => $this->regions,
            'postureSigns' => $this->postureSigns,
            'techniques' => $this->techniques,
            'tools' => $this->tools,
            'positions' => $this->positions,
            'products' => $this->products,
            'oils' => $this->oils,
            'demands' => $this->demands,
            'consentAreas' => $this->consentAreas,
            'stopSigns' => $this->stopSigns,
            'answerSigns' => $this->answerSigns,
            'packedHandbook' => $this->packedHandbook,
            'packedHandwork' => $this->packedHandwork,
        ];
    }

    /** The version of the atlas, from the head of the compiled one where there is one. */
    public static function versionOf(string $folder, ?string $compiled): string
    {
        $files = new AtlasFiles($folder);
        $kept = $compiled === null ? null : self::file($compiled, $files)->text(self::VERSION_LINE);

        return $kept === null ? $files->version() : rtrim($kept);
    }

    /** Twelve signs and the end of the line. */
    private const VERSION_LINE = 13;

    /** Reads the folder without checking it; a wrong shape still throws where it is met. */
    public static function build(string $folder): self
    {
        $read = static fn (string $name): Fields => JsonFile::read("$folder/$name.json");
        $zones = $read('zones');
        $sets = $zones->fields('sets');
        $zoneSets = [];
        foreach ($sets->keys() as $set) {
            $zoneSets[$set] = $sets->strings($set);
        }
        $names = static fn (Fields $file, string $list, string $words): array => array_column(
            array_map(static fn (Fields $row): array => [$row->string('id'), $row->string($words)], $file->list($list)), 1, 0,
        );

        $regions = $read('regions');

        return new self(
            (new AtlasFiles($folder))->version(),
            self::byId($read('muscles')->map('muscles', Muscle::from(...))),
            self::byId($zones->map('zones', static fn (Fields $row): Zone => new Zone(
                $row->string('id'), $row->string('name'), $row->string('group'), $row->bool('midline'), $row->strings('neighbours'),
                $row->string('surface'),
            ))),
            $zoneSets,
            self::byId($read('movements')->map('movements', Movement::from(...))),
            self::byId($read('tests')->map('tests', Test::from(...))),
            self::byId($read('tests')->map('sets', TestSet::from(...))),
            self::byId($regions->map('regions', static fn (Fields $row): Region => Region::from($row, $regions->fields('nerve')))),
            self::byId($read('posture_signs')->map('posture_signs', PostureSign::from(...))),
            self::byId($read('techniques')->map('techniques', Technique::from(...))),
            self::byId($read('tools')->map('tools', Tool::from(...))),
            self::byId($read('positions')->map('positions', Position::from(...))),
            $names($read('products'), 'products', 'name'),
            array_values(array_filter($read('products')->map(
                'products', static fn (Fields $row): ?string => $row->bool('oil') ? $row->string('id') : null,
            ))),
            $names($read('demands'), 'demands', 'name'),
            self::byId($read('consent_areas')->map('consent_areas', ConsentArea::from(...))),
            $read('signs')->map(
                'stop',
                static fn (Fields $row): array => [
                    'id' => $row->string('id'), 'name' => $row->string('name'), 'do_now' => $row->string('do_now'),
                    'goes_on' => $row->bool('goes_on'),
                ],
            ),
            $names($read('signs'), 'answer', 'name'),
            serialize(new Handbook(
                self::byId($read('directions')->map('directions', Direction::from(...))),
                self::byId($read('landmarks')->map('landmarks', Landmark::from(...))),
                self::byId($read('hazards')->map('hazards', Hazard::from(...))),
                self::byId($read('self_care')->map('self_care', SelfCare::from(...))),
                $names($read('products'), 'products', 'use'),
                $names($read('demands'), 'demands', 'asks'),
                array_column($read('demands')->map(
                    'demands', static fn (Fields $row): array => ['id' => $row->string('id'), 'near' => $row->strings('near')],
                ), 'near', 'id'),
                self::byId($read('demands')->map('situations', Situation::from(...))),
            )),
            serialize(Handwork::read($folder)),
        );
    }

    /** What wants grip comes before it, or it is wiped off first. */
    public function isOil(string $product): bool
    {
        return in_array($product, $this->oils, true);
    }

    public function muscle(string $id): Muscle
    {
        return $this->muscles[$id] ?? throw UnknownId::in('muscle', $id);
    }

    /** @return array<string, list<string>> of each muscle or group whose parts can be told apart: its parts */
    public function parts(): array
    {
        if ($this->parts === null) {
            $this->parts = [];
            foreach ($this->muscles as $muscle) {
                if ($muscle->partOf !== null) {
                    $this->parts[$muscle->partOf][] = $muscle->id;
                }
            }
        }

        return $this->parts;
    }

    public function zone(string $id): Zone
    {
        return $this->zones[$id] ?? throw UnknownId::in('zone', $id);
    }

    public function movement(string $id): Movement
    {
        return $this->movements[$id] ?? throw UnknownId::in('movement', $id);
    }

    public function test(string $id): Test
    {
        return $this->tests[$id] ?? throw UnknownId::in('test', $id);
    }

    public function region(string $id): Region
    {
        return $this->regions[$id] ?? throw UnknownId::in('region', $id);
    }

    /** The region a zone belongs to; every zone belongs to one. */
    public function regionOf(string $zone): Region
    {
        foreach ($this->regions as $region) {
            if (in_array($zone, $region->zones, true)) {
                return $region;
            }
        }

        throw UnknownId::in('zone', $zone);
    }

    public function handbook(): Handbook
    {
        if ($this->handbook === null) {
            $handbook = unserialize($this->packedHandbook);
            $this->handbook = $handbook instanceof Handbook ? $handbook : throw new \LogicException('The handbook cannot be unpacked.');
        }

        return $this->handbook;
    }

    public function handwork(): Handwork
    {
        if ($this->handwork === null) {
            $handwork = unserialize($this->packedHandwork);
            $this->handwork = $handwork instanceof Handwork ? $handwork : throw new \LogicException('The handwork cannot be unpacked.');
        }

        return $this->handwork;
    }

    /** @return list<Hazard> the places never to be pressed that a muscle lists, on that side */
    public function hazardsOf(Muscle $muscle, Side $side): array
    {
        return array_values(array_filter(
            array_map($this->handbook()->hazard(...), $muscle->hazards),
            static fn (Hazard $hazard): bool => $hazard->liesOn($side),
        ));
    }

    /**
     * @param  list<Hazard>  $under  the places never to be pressed that lie where it is worked
     * @return list<Caution> what to beware of in a muscle, and how what lies beside it answers
     */
    public function watchOf(Muscle $muscle, array $under): array
    {
        return [
            ...Caution::each(CautionKind::Muscle, $muscle->id, $muscle->beware),
            ...array_map(
                static fn (Hazard $hazard): Caution => Caution::of(
                    CautionKind::Hazard, $hazard->id, "{$hazard->name}: ".lcfirst($hazard->sign),
                ),
                $under,
            ),
        ];
    }

    /** @return list<DirectionUse> everything a muscle does, in directions */
    public function does(Muscle $muscle): array
    {
        $does = $muscle->reference()->otherActions;
        foreach ($muscle->actions as $use) {
            foreach ($this->movement($use->movement)->directions as $direction) {
                $does[] = new DirectionUse($direction, $use->relation);
            }
        }

        return $does;
    }

    /** @return list<DirectionUse> what a movement consists of and what comes along with it */
    public function brings(MovementUse $use): array
    {
        $movement = $this->movement($use->movement);

        return array_map(
            static fn (string $direction): DirectionUse => new DirectionUse($direction, $use->relation),
            [...$movement->directions, ...$movement->carries],
        );
    }

    public function technique(string $id): Technique
    {
        return $this->techniques[$id] ?? throw UnknownId::in('technique', $id);
    }

    /**
     * What a load costs each part of the hand.
     *
     * @param  array<string, float>  $load  minutes by tool
     * @return array<string, float> by part of the hand
     */
    public function byPartOfHand(array $load): array
    {
        $parts = [];
        foreach ($load as $tool => $minutes) {
            $part = $this->tool($tool)->costs;
            $parts[$part] = ($parts[$part] ?? 0.0) + $minutes;
        }

        return $parts;
    }

    public function tool(string $id): Tool
    {
        return $this->tools[$id] ?? throw UnknownId::in('tool', $id);
    }

    public function position(string $id): Position
    {
        return $this->positions[$id] ?? throw UnknownId::in('position', $id);
    }

    public function nameOf(MuscleAt $at): string
    {
        return $at->side->named($this->muscle($at->muscle)->name);
    }

    public function placeName(Place $place): string
    {
        return $place->side->named($this->zone($place->zone)->name);
    }

    /** A place of that zone: on the side given, or on the midline where the zone lies there. */
    public function placeOn(string $zone, Side $side): Place
    {
        return new Place($zone, $this->zone($zone)->midline ? Side::Midline : $side);
    }

    /** @return list<Place> the place and those that touch it, on its side */
    public function around(Place $place): array
    {
        return [$place, ...$this->beside($this->zone($place->zone)->neighbours, $place->side)];
    }

    /** @return list<Place> what is bound up with a place: its neighbours, its region, and every place of the muscles that cross it */
    public function bound(Place $place): array
    {
        $bound = [...$this->near($place), ...$this->around($place)];
        foreach ($this->muscles as $muscle) {
            if (in_array($place->zone, $muscle->zonesOf('whole'), true)) {
                array_push($bound, ...$this->beside($muscle->zonesOf('whole'), $place->side));
            }
        }

        return $bound;
    }

    /**
     * @param  list<string>  $zones
     * @return list<Place> on that side; both sides beside a place on the midline
     */
    private function beside(array $zones, Side $side): array
    {
        $places = [];
        foreach ($zones as $zone) {
            foreach ($side === Side::Midline ? Side::pair() : [$side] as $one) {
                $places[] = $this->placeOn($zone, $one);
            }
        }

        return $places;
    }

    /** @return list<Place> every place of a set of zones, on both sides */
    public function placesOf(string $set): array
    {
        $places = [];
        foreach ($this->zoneSets[$set] ?? [] as $zone) {
            foreach ($this->zone($zone)->midline ? [Side::Midline] : Side::pair() as $side) {
                $places[] = new Place($zone, $side);
            }
        }

        return $places;
    }

    /** What the client's body answers to work, dangerous or welcome. */
    public function isSign(string $id): bool
    {
        return isset($this->answerSigns[$id]) || in_array($id, array_column($this->stopSigns, 'id'), true);
    }

    /** @return list<Place> the zones of the same group on that side: what "near" means */
    public function near(Place $place): array
    {
        $group = $this->zone($place->zone)->group;

        return $this->beside(array_keys(array_filter($this->zones, static fn (Zone $zone): bool => $zone->group === $group)), $place->side);
    }

    /** Steps from zone to zone over neighbours on one side; the other side counts two more. */
    public function steps(Place $from, Place $to): int
    {
        $this->steps[$from->zone] ??= $this->walk($from->zone);
        $crossing = $from->side !== $to->side && $from->side !== Side::Midline && $to->side !== Side::Midline ? 2 : 0;

        return ($this->steps[$from->zone][$to->zone] ?? 99) + $crossing;
    }

    /** @return array<string, int> */
    private function walk(string $start): array
    {
        $steps = [$start => 0];
        for ($queue = [$start]; $queue !== [];) {
            $zone = array_shift($queue);
            foreach ($this->zone($zone)->neighbours as $next) {
                if (! isset($steps[$next])) {
                    $steps[$next] = $steps[$zone] + 1;
                    $queue[] = $next;
                }
            }
        }

        return $steps;
    }

    /**
     * @template T of object
     *
     * @param  list<T>  $rows
     * @return array<string, T>
     */
    private static function byId(array $rows): array
    {
        $map = [];
        foreach ($rows as $row) {
            $id = get_object_vars($row)['id'] ?? null;
            if (is_string($id)) {
                $map[$id] = $row;
            }
        }

        return $map;
    }
}
