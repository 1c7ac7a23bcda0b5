<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/** Everything the core knows of the body and of the work on it, keyed by the ids of the vocabulary. */
final class Atlas
{
    /** @var array<string, array<string, int>> zone → zone → steps between them on one side */
    private array $steps = [];

    /**
     * @param  array<string, Muscle>  $muscles
     * @param  array<string, Zone>  $zones
     * @param  array<string, list<string>>  $zoneSets
     * @param  array<string, Movement>  $movements
     * @param  array<string, Test>  $tests
     * @param  array<string, PostureSign>  $postureSigns
     * @param  array<string, Technique>  $techniques
     * @param  array<string, Tool>  $tools
     * @param  array<string, Position>  $positions
     * @param  array<string, string>  $products
     * @param  array<string, string>  $demands
     * @param  array<string, string>  $consentAreas
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
        public readonly array $postureSigns,
        public readonly array $techniques,
        public readonly array $tools,
        public readonly array $positions,
        public readonly array $products,
        public readonly array $demands,
        public readonly array $consentAreas,
        public readonly array $stopSigns,
        public readonly array $answerSigns,
    ) {
    }

    public static function load(string $folder): self
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

        return new self(
            self::versionOf($folder),
            self::byId($read('muscles')->map('muscles', Muscle::from(...))),
            self::byId($zones->map('zones', static fn (Fields $row): Zone => new Zone(
                $row->string('id'), $row->string('name'), $row->string('group'), $row->bool('midline'), $row->strings('neighbours'),
            ))),
            $zoneSets,
            self::byId($read('movements')->map('movements', Movement::from(...))),
            self::byId($read('tests')->map('tests', Test::from(...))),
            self::byId($read('posture_signs')->map('posture_signs', PostureSign::from(...))),
            self::byId($read('techniques')->map('techniques', Technique::from(...))),
            self::byId($read('tools')->map('tools', Tool::from(...))),
            self::byId($read('positions')->map('positions', static fn (Fields $row): Position => new Position(
                $row->string('id'), $row->string('name'), $row->string('family'),
            ))),
            $names($read('products'), 'products', 'name'),
            $names($read('demands'), 'demands', 'name'),
            $names($read('consent_areas'), 'consent_areas', 'words'),
            $read('signs')->map('stop', static fn (Fields $row): array => ['id' => $row->string('id'), 'name' => $row->string('name'), 'do_now' => $row->string('do_now'), 'goes_on' => $row->bool('goes_on')]),
            $names($read('signs'), 'answer', 'name'),
        );
    }

    public function muscle(string $id): Muscle
    {
        return $this->muscles[$id] ?? throw UnknownId::in('muscle', $id);
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

    public function technique(string $id): Technique
    {
        return $this->techniques[$id] ?? throw UnknownId::in('technique', $id);
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
        return $this->muscle($at->muscle)->name.($at->side === Side::Midline ? '' : ', '.$at->side->value);
    }

    public function placeName(Place $place): string
    {
        return $this->zone($place->zone)->name.($place->side === Side::Midline ? '' : ', '.$place->side->value);
    }

    /** A place of that zone: on the side given, or on the midline where the zone lies there. */
    public function placeOn(string $zone, Side $side): Place
    {
        return new Place($zone, $this->zone($zone)->midline ? Side::Midline : $side);
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
        $near = [];
        foreach ($this->zones as $zone) {
            if ($zone->group === $group) {
                $near[] = $this->placeOn($zone->id, $place->side);
            }
        }

        return $near;
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

    /** A short hash over every data file: results computed with other data are other results. */
    private static function versionOf(string $folder): string
    {
        $files = glob("$folder/*.json") ?: [];
        sort($files);

        return substr(hash('sha256', implode('', array_map(static fn (string $file): string => (string) hash_file('sha256', $file), $files))), 0, 12);
    }
}
