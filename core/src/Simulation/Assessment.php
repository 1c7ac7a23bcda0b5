<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Client;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\PostureFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Pattern\NextCheck;

/**
 * Asks a simulated client: the complaint first, then whole rounds of checks or one at a time, and hands the case on as the core reads it.
 */
final class Assessment
{
    private const IN_REACH = [
        'complaint_own_zone' => true, 'complaint_core_referral' => true, 'complaint_spill_over' => true, 'complaint_neighbour' => true,
    ];

    /** @var array<string, RangeFinding> */
    private array $range = [];

    /** @var array<string, ResistedFinding> */
    private array $resisted = [];

    /** @var array<string, PostureFinding> */
    private array $posture = [];

    /** @var array<string, PalpationFinding> */
    private array $palpation = [];

    /** @var array<string, TestFinding> */
    private array $tests = [];

    /** @var array<string, true>|null joints in reach, by key */
    private ?array $joints = null;

    /** @var array<string, MuscleAt>|null */
    private ?array $reach = null;

    public function __construct(private readonly AtlasIndex $index, private readonly SimulatedClient $client)
    {
    }

    /** Checks done so far. */
    public function checks(): int
    {
        return count($this->range) + count($this->resisted) + count($this->posture) + count($this->palpation)
            + count(array_unique(array_map(static fn (TestFinding $one): string => $one->test.$one->side->value, $this->tests)));
    }

    public function case(): CaseFile
    {
        return new CaseFile(
            new \DateTimeImmutable('2026-03-02T00:00:00Z'), new Client(40, hand: $this->client->hand),
            new Findings(
                $this->client->complaints, range: array_values($this->range), resisted: array_values($this->resisted),
                posture: array_values($this->posture), tests: array_values($this->tests),
                palpation: array_values($this->palpation),
            ),
            demands: $this->client->demands,
        );
    }

    /** Every movement that lengthens a muscle in reach of the complaint, both sides; and what springs and glides of the joints in reach. */
    public function measure(): self
    {
        foreach ($this->index->lengthens as $key => $touched) {
            if ($this->inReach($touched)) {
                $this->bothSides($key, $this->range(...));
            }
        }
        foreach ($this->client->beyond === null ? [] : $this->index->joints->starts as $key => $starts) {
            [$measure, $side] = self::parts($key);
            if (array_filter($starts, fn (array $start): bool => isset($this->jointReach()[$start[0]->key()])) === []) {
                continue;
            }
            if (isset($this->index->atlas->tests[$measure])) {
                $this->test($measure, $side);
            } elseif ($this->index->atlas->movement($measure)->paired === ($side !== Side::Midline)) {
                $this->range($measure, $side);
            }
        }

        return $this;
    }

    /** All of it: movements, strength, posture, and every muscle in reach under the hand. */
    public function full(): self
    {
        $this->measure();
        foreach ($this->index->moves as $key => $touched) {
            if (
                $this->inReach(array_map(
                    static fn (array $touch): MuscleAt => $touch[0], array_filter($touched, static fn (array $touch): bool => $touch[1]),
                ))
            ) {
                $this->resist(...self::parts($key));
            }
        }
        foreach ($this->index->atlas->postureSigns as $sign) {
            foreach ($sign->paired ? Side::pair() : [Side::Midline] as $side) {
                $speaksOf = [];
                foreach ([...$sign->short, ...$sign->long] as $muscle => $relation) {
                    foreach ($side === Side::Midline ? Side::pair() : [$side->related($relation)] as $one) {
                        $speaksOf[] = new MuscleAt($muscle, $one);
                    }
                }
                if ($this->inReach($speaksOf)) {
                    $this->posture["{$sign->id}:{$side->value}"] ??= $this->client->look($sign->id, $side);
                }
            }
        }
        foreach ($this->reach() as $at) {
            $this->feel($at);
        }
        if ($this->client->beyond !== null) {
            $this->special();
        }

        return $this;
    }

    public function feel(MuscleAt $at): void
    {
        $this->palpation[$at->key()] ??= $this->client->feel($at);
    }

    public function isFelt(MuscleAt $at): bool
    {
        return isset($this->palpation[$at->key()]);
    }

    public function follow(NextCheck $check): void
    {
        match ($check->kind) {
            'palpate' => $this->feel(new MuscleAt($check->id, $check->side)),
            'range' => $this->range($check->id, $check->side),
            'resisted' => $this->resist($check->id, $check->side),
            'test' => $this->test($check->id, $check->side),
            default => throw new \LogicException("A simulated client does not know the check \"{$check->kind}\"."),
        };
    }

    private function range(string $movement, Side $side): void
    {
        $this->range["$movement:{$side->value}"] ??= $this->client->move($movement, $side);
    }

    /** Every special test of what is in reach, those of a nerve where the region has them, the night, and what the two sides differ in. */
    private function special(): void
    {
        foreach ($this->index->testsKeys as $key => $touched) {
            $muscles = array_filter(
                array_map(
                    fn (string $one): ?MuscleAt => $this->index->candidates[$one] ?? null, array_map(strval(...), array_keys($touched)),
                ),
            );
            if ($this->inReach($muscles) || array_intersect_key($touched, $this->jointReach()) !== []) {
                $this->test(...self::parts($key));
            }
        }
        foreach ($this->client->complaints as $complaint) {
            foreach ($this->index->atlas->regionOf($complaint->zone)->nerve as [$kind, $id]) {
                foreach ($complaint->side === Side::Midline ? Side::pair() : [$complaint->side] as $side) {
                    $paired = $kind === 'test' && $this->index->atlas->test($id)->paired;
                    $kind === 'test' ? $this->test($id, $paired ? $side : Side::Midline) : $this->resist($id, $side);
                }
            }
        }
        $this->tests['night'] ??= new TestFinding(
            'night_waking', Side::Midline, result: $this->client->wakes() ? 'positive' : 'negative',
        );
        $this->compare();
    }

    /** What tells the two sides apart. */
    private function compare(): void
    {
        foreach ($this->client->beyond?->signs() ?? [] as $sign) {
            foreach (Side::pair() as $side) {
                if ($sign->lesser !== null) {
                    $this->range($sign->lesser, $side);
                } elseif ($sign->posture !== null) {
                    $this->posture["{$sign->posture}:{$side->value}"] ??= $this->client->look($sign->posture, $side);
                } elseif (($sign->lesserTest ?? $sign->test) !== null) {
                    $this->test($sign->lesserTest ?? $sign->test, $side);
                }
            }
        }
    }

    public function test(string $id, Side $side): void
    {
        $test = $this->index->atlas->test($id);
        if ($test->paired === ($side === Side::Midline)) {
            return;
        }
        foreach ($test->levels === [] || $test->result !== 'glide' ? [null] : array_map(strval(...), array_keys($test->levels)) as $level) {
            $this->tests["$id:{$side->value}:$level"] ??= $this->client->test($id, $side, $level);
        }
    }

    public function isTested(string $id, Side $side): bool
    {
        return array_filter($this->tests, static fn (TestFinding $one): bool => $one->test === $id && $one->side === $side) !== [];
    }

    /** @return array<string, true> joints that lie, are felt or border where it hurts, by key */
    private function jointReach(): array
    {
        if ($this->joints === null) {
            $this->joints = [];
            foreach ($this->client->complaints as $complaint) {
                foreach ($this->index->joints->relations($complaint->place()) as $key => $relation) {
                    if (isset(self::IN_REACH[$relation])) {
                        $this->joints[$key] = true;
                    }
                }
            }
        }

        return $this->joints;
    }

    private function resist(string $movement, Side $side): void
    {
        $this->resisted["$movement:{$side->value}"] ??= $this->client->resist($movement, $side);
    }

    /** @param  callable(string, Side): void  $do */
    private function bothSides(string $key, callable $do): void
    {
        [$movement, $side] = self::parts($key);
        foreach ($side === Side::Midline ? [$side] : Side::pair() as $one) {
            $do($movement, $one);
        }
    }

    /** @return array{string, Side} */
    private static function parts(string $key): array
    {
        [$movement, $side] = explode(':', $key);

        return [$movement, Side::from($side)];
    }

    /** @param  array<MuscleAt>  $muscles */
    private function inReach(array $muscles): bool
    {
        foreach ($muscles as $at) {
            if (isset($this->reach()[$at->key()])) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, MuscleAt> muscles that lie, are felt or border where it hurts */
    private function reach(): array
    {
        return $this->reach ??= $this->reachOf(array_map(static fn ($complaint): Place => $complaint->place(), $this->client->complaints));
    }

    /**
     * @param  list<Place>  $places
     * @return array<string, MuscleAt>
     */
    private function reachOf(array $places): array
    {
        $relations = array_map($this->index->relations(...), $places);
        $reach = [];
        // the simulator tells no parts apart
        foreach ($this->index->candidates as $at) {
            if ($this->index->atlas->muscle($at->muscle)->partOf !== null) {
                continue;
            }
            foreach ($relations as $of) {
                if (isset(self::IN_REACH[$of[$at->key()] ?? ''])) {
                    $reach[$at->key()] = $at;
                }
            }
        }

        return $reach;
    }
}
