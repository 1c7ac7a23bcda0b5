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

    /** @var array<string, MuscleAt>|null */
    private ?array $reach = null;

    public function __construct(private readonly AtlasIndex $index, private readonly SimulatedClient $client)
    {
    }

    /** Checks done so far. */
    public function checks(): int
    {
        return count($this->range) + count($this->resisted) + count($this->posture) + count($this->palpation);
    }

    public function case(): CaseFile
    {
        return new CaseFile(
            new \DateTimeImmutable('2026-03-02T00:00:00Z'), new Client(40, hand: $this->client->hand),
            new Findings(
                $this->client->complaints, range: array_values($this->range), resisted: array_values($this->resisted),
                posture: array_values($this->posture),
                palpation: array_values($this->palpation),
            ),
            demands: $this->client->demands,
        );
    }

    /** Every movement that lengthens a muscle in reach of the complaint, both sides. */
    public function measure(): self
    {
        foreach ($this->index->lengthens as $key => $touched) {
            if ($this->inReach($touched)) {
                $this->bothSides($key, $this->range(...));
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
            default => throw new \LogicException("A simulated client does not know the check \"{$check->kind}\"."),
        };
    }

    private function range(string $movement, Side $side): void
    {
        $this->range["$movement:{$side->value}"] ??= $this->client->move($movement, $side);
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
