<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/** What hands do: spots, set-ups, moves, joints and routines, all from data. */
final readonly class Handwork
{
    /** @var array<string, list<Move>> by muscle */
    private array $movesOf;

    /** @var array<string, list<array{Routine, RoutineStage, int}>> by muscle, with the rank among all stages */
    private array $stagesOf;

    /** @var array<string, list<RoutineStage>> by kind of joint */
    private array $stagesOfJoint;

    public int $stageCount;

    /** @var array<string, array<string, true>> positions in which a set-up opens a zone, by zone */
    private array $opening;

    /**
     * @param  array<string, Setup>  $setups
     * @param  array<string, SpotMap>  $spots  by muscle
     * @param  list<Move>  $moves
     * @param  array<string, Joint>  $joints
     * @param  array<string, Routine>  $routines
     * @param  array<string, Branch>  $branches
     * @param  array<string, RegionWork>  $regions
     * @param  list<string>  $neverStroked  zones over which no warming or smoothing hand goes
     */
    private function __construct(
        public array $setups,
        public array $spots,
        public array $moves,
        public array $joints,
        public array $routines,
        public array $branches,
        private array $regions,
        public array $neverStroked,
    ) {
        $movesOf = $stagesOf = $stagesOfJoint = [];
        $rank = 0;
        foreach ($moves as $move) {
            foreach ($move->muscles as $muscle) {
                $movesOf[$muscle][] = $move;
            }
        }
        foreach ($routines as $routine) {
            foreach ($routine->stages as $stage) {
                $rank++;
                foreach ($stage->muscles as $muscle) {
                    $stagesOf[$muscle][] = [$routine, $stage, $rank];
                }
                foreach ($stage->joints as $joint) {
                    $stagesOfJoint[$joint][] = $stage;
                }
            }
        }
        $opening = [];
        foreach ($setups as $setup) {
            foreach ($setup->opens as $zone) {
                $opening[$zone] = ($opening[$zone] ?? []) + array_fill_keys($setup->positions, true);
            }
        }
        [$this->movesOf, $this->stagesOf, $this->stagesOfJoint, $this->opening] = [$movesOf, $stagesOf, $stagesOfJoint, $opening];
        $this->stageCount = $rank;
    }

    /** @param  string  $folder  the data files, already found right */
    public static function read(string $folder): self
    {
        $rows = static fn (string $file, string $list): array => JsonFile::read("$folder/$file.json")->list($list);
        $routines = JsonFile::read("$folder/routines.json");
        $regions = [];
        foreach ($routines->list('regions') as $row) {
            $regions[$row->string('region')] = RegionWork::from($row);
        }

        return new self(
            self::byId($rows('setups', 'setups'), Setup::from(...)), self::byId($rows('spots', 'muscles'), SpotMap::from(...)),
            JsonFile::read("$folder/moves.json")->map('moves', Move::from(...)),
            self::byId($rows('joints', 'joints'), Joint::from(...)), self::byId($routines->list('routines'), Routine::from(...)),
            self::byId($rows('techniques', 'branches'), Branch::from(...)), $regions, $routines->strings('never_stroked'),
        );
    }

    public function setup(string $id): Setup
    {
        return $this->setups[$id] ?? throw UnknownId::in('set-up', $id);
    }

    public function joint(string $id): Joint
    {
        return $this->joints[$id] ?? throw UnknownId::in('joint', $id);
    }

    public function branch(string $id): Branch
    {
        return $this->branches[$id] ?? throw UnknownId::in('branch', $id);
    }

    public function region(string $id): RegionWork
    {
        return $this->regions[$id] ?? throw UnknownId::in('region', $id);
    }

    public function spotsOf(string $muscle): SpotMap
    {
        return $this->spots[$muscle] ?? throw UnknownId::in('muscle', $muscle);
    }

    /** @return list<Move> the ways to lengthen a muscle with that technique in that position */
    public function moves(string $muscle, string $technique, string $position, Side $side): array
    {
        return array_values(array_filter(
            $this->movesOf[$muscle] ?? [], static fn (Move $move): bool => $move->fits($technique, $position, $side),
        ));
    }

    /**
     * @param  list<string>  $zones
     * @return list<string> positions in which a set-up brings one of them to hand
     */
    public function positionsOpening(array $zones): array
    {
        return array_keys(array_merge([], ...array_values(array_intersect_key($this->opening, array_flip($zones)))));
    }

    /**
     * @param  list<string>  $zones
     * @return list<Setup> that bring one of them to hand
     */
    public function setupsOpening(array $zones): array
    {
        return array_values(array_filter($this->setups, static fn (Setup $one): bool => array_intersect($one->opens, $zones) !== []));
    }

    /** @return list<array{Routine, RoutineStage, int}> where a muscle is worked, in the order of the routines, counted from 1 */
    public function stagesOf(string $muscle): array
    {
        return $this->stagesOf[$muscle] ?? [];
    }

    /** @return list<RoutineStage> where a kind of joint is moved, in the order of the routines */
    public function stagesOfJoint(string $joint): array
    {
        return $this->stagesOfJoint[$joint] ?? [];
    }

    /**
     * @template T of object
     *
     * @param  list<Fields>  $rows
     * @param  callable(Fields): T  $from
     * @return array<string, T>
     */
    private static function byId(array $rows, callable $from): array
    {
        $made = [];
        foreach ($rows as $row) {
            $made[$row->stringOrNull('id') ?? $row->string('muscle')] = $from($row);
        }

        return $made;
    }
}
