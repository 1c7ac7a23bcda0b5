<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Demand;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\PostureFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\CaseFile\TestFinding;

/**
 * A client made up by chance who answers the checks a person would. The hidden state is fixed when the client is made; each check draws
 * from a chance of its own, seeded by the client and the check, so that the answer is the same in whatever order one asks. Its make-up was
 * fixed before any weight was tuned and is not changed to please (docs/ranking-trial.md); all figures are practice defaults.
 */
final readonly class SimulatedClient
{
    public const RANGE_NOISE_DEGREES = 5.0;

    /** A unit that is not degrees strays by as much of its measuring error as 5° is of the usual goniometer error. */
    private const RANGE_NOISE_ERRORS = 1.0;

    private const TENDERNESS_OFF = 0.25;

    private const REFERRAL_WRONG = 0.2;

    /**
     * @param  array<string, HiddenMuscle>  $hidden  by muscle and side; whoever is not in it is healthy
     * @param  list<Complaint>  $complaints
     * @param  list<Demand>  $demands
     * @param  float  $honesty  how surely the own pain is named when it is met, 0–1
     */
    public function __construct(
        private Atlas $atlas,
        public int $seed,
        public string $region,
        public array $hidden,
        public array $complaints,
        public array $demands,
        public string $hand,
        private float $stiffness,
        private float $honesty,
        public ?Beyond $beyond = null,
    ) {
    }

    /**
     * @param  array<string, HiddenMuscle>  $hidden
     * @param  list<Complaint>  $complaints
     * @param  list<Demand>  $demands
     */
    public function wider(array $hidden, array $complaints, array $demands, Beyond $beyond): self
    {
        return new self(
            $this->atlas, $this->seed, $this->region, $hidden, $complaints, $demands, $this->hand, $this->stiffness, $this->honesty,
            $beyond,
        );
    }

    /** The one that should be found. */
    public function strongest(): MuscleAt
    {
        $best = null;
        foreach ($this->hidden as $muscle) {
            if ($best === null || $muscle->strength > $best->strength) {
                $best = $muscle;
            }
        }

        return $best->at ?? throw new \LogicException('A client without a source complains of nothing.');
    }

    /**
     * @return list<string> what should be found, by key: several where both sides hurt alike; nothing where it is neither muscle nor
     *     joint
     */
    public function truth(): array
    {
        if ($this->beyond?->outside !== null) {
            return [];
        }
        $strengths = array_map(static fn (HiddenMuscle $one): float => $one->strength, $this->hidden);
        foreach ($this->beyond->joints ?? [] as $joint) {
            $strengths[$joint->at->key()] = $joint->strength;
        }
        $strongest = max([0.0, ...array_values($strengths)]);
        $key = (string) array_search($strongest, $strengths, true);
        $parts = explode(':', $key);
        $side = Side::from(array_pop($parts));
        $mirrored = implode(':', [...$parts, $side->mirrored()->value]);

        return $mirrored !== $key && isset($strengths[$mirrored]) && $strengths[$mirrored] > 0.85 * $strongest ? [$key, $mirrored] : [$key];
    }

    /** @return list<MuscleAt> */
    public function sources(): array
    {
        return array_values(array_map(
            static fn (HiddenMuscle $muscle): MuscleAt => $muscle->at,
            array_filter($this->hidden, static fn (HiddenMuscle $muscle): bool => $muscle->isSource()),
        ));
    }

    /** @return list<string> joints that hurt, by key */
    public function painfulJoints(): array
    {
        return array_values(array_map(
            static fn (HiddenJoint $one): string => $one->at->key(),
            array_filter($this->beyond->joints ?? [], static fn (HiddenJoint $one): bool => $one->strength > 0),
        ));
    }

    public function move(string $movement, Side $side): RangeFinding
    {
        $about = $this->atlas->movement($movement);
        $chance = $this->chance("move:$movement:{$side->value}");
        $lost = $this->stiffness;
        $pain = 0.0;
        foreach ($this->hidden as $hidden) {
            foreach ($this->atlas->muscle($hidden->at->muscle)->lengthenedBy as $use) {
                if ($use->keyFor($hidden->at->side) === "$movement:{$side->value}") {
                    $lost += 4 * $hidden->tightness;
                    $hurts = $hidden->isSource() ? 0.75 * $hidden->irritability : 0.12;
                    $pain = max($pain, $chance->happens($hurts) ? $chance->int(2, 6) : 0);
                }
            }
        }
        $pain = max($pain, $chance->happens(0.03) ? 2 : 0);
        $end = null;
        if ($this->beyond !== null) {
            [$more, $hurts, $end] = $this->beyond->inMovement($about, $side, $this->chance("joints move:$movement:{$side->value}"));
            [$lost, $pain] = [$lost + $more, max($pain, $hurts)];
        }
        $noise = $chance->normal($about->unit === 'deg' ? self::RANGE_NOISE_DEGREES : self::RANGE_NOISE_ERRORS * $about->measurementError);
        $value = $about->norm + ($about->largerIsBetter ? -1 : 1) * $lost * $about->measurementError + $noise;

        return new RangeFinding($movement, $side, round(max($about->min, min($about->max, $value)), 1), pain: (float) $pain, endFeel: $end);
    }

    public function resist(string $movement, Side $side): ResistedFinding
    {
        $chance = $this->chance("resist:$movement:{$side->value}");
        $pain = $chance->happens(0.04) ? 2 : 0;
        $strength = $chance->happens(0.05) ? 3 : 5;
        foreach ($this->hidden as $hidden) {
            foreach ($this->atlas->muscle($hidden->at->muscle)->actions as $use) {
                if ($use->keyFor($hidden->at->side) === "$movement:{$side->value}") {
                    $share = $use->prime ? 1.0 : 0.5;
                    $pain = max(
                        $pain,
                        $chance->happens($share * ($hidden->isSource() ? 0.6 * $hidden->irritability : 0.1)) ? $chance->int(2, 6) : 0,
                    );
                    $strength = $chance->happens($share * ($hidden->isSource() ? 0.3 : 0.15)) ? 3 : $strength;
                }
            }
        }

        $strength = $this->beyond?->weakens($movement, $side, $this->chance("weak:$movement:{$side->value}")) === true ? 3 : $strength;

        return new ResistedFinding($movement, $side, $strength, (float) $pain);
    }

    public function look(string $sign, Side $side): PostureFinding
    {
        $chance = $this->chance("look:$sign:{$side->value}");
        $grade = $chance->happens(0.12) ? 1 : 0;
        foreach ($this->atlas->postureSigns[$sign]->short as $muscle => $relation) {
            foreach ($side === Side::Midline ? Side::pair() : [$side->related($relation)] as $at) {
                $hidden = $this->hidden[(new MuscleAt($muscle, $at))->key()] ?? null;
                if ($hidden !== null && $chance->happens(0.7 * $hidden->tightness)) {
                    $grade = max($grade, $chance->happens(0.4) ? 2 : 1);
                }
            }
        }

        $grade = max($grade, $this->beyond?->posture($sign, $side, $this->chance("whole look:$sign:{$side->value}")) ?? 0);

        return new PostureFinding($sign, $side, $grade);
    }

    public function feel(MuscleAt $at): PalpationFinding
    {
        $chance = $this->chance('feel:'.$at->key());
        $hidden = $this->hidden[$at->key()] ?? null;
        $tender = match (true) {
            $hidden === null => $chance->happens(0.1) ? 2 : ($chance->happens(0.3) ? 1 : 0),
            $hidden->isSource() => (int) round(1.8 + 2.2 * (0.5 * $hidden->irritability + 0.5 * $hidden->strength)),
            default => (int) round(1.2 + 1.6 * $hidden->irritability),
        };
        $tender = $chance->happens(self::TENDERNESS_OFF) ? $tender + ($chance->oneIn(2) ? 1 : -1) : $tender;
        [$tone, $band, $nodule, $refers, $own] = match (true) {
            $hidden === null => [0.1, 0.08, 0.04, 0.03, 0.02],
            $hidden->isSource() => [0.75, 0.8, 0.5, 0.7, 0.85 * $this->honesty],
            default => [0.5, 0.6, 0.35, 0.4, 0.08],
        };
        $texture = [...($chance->happens($band) ? ['taut_band'] : []), ...($chance->happens($nodule) ? ['nodule'] : [])];
        $raised = $chance->happens($tone);
        $felt = $chance->happens($refers) ? $this->felt($hidden, $at, $chance) : [];

        return new PalpationFinding(
            $at->muscle, $at->side, null, max(0, min(4, $tender)), $raised ? 'high' : 'usual', $texture, $felt,
            $chance->happens($own) ? Answer::Yes : Answer::No,
        );
    }

    /** Only a client of whom more than muscles is known can be tested. */
    public function test(string $test, Side $side, ?string $level): TestFinding
    {
        return $this->beyond?->test($test, $side, $level, $this->chance("test:$test:{$side->value}:$level"))
            ?? throw new \LogicException('Of this client only muscles are known.');
    }

    public function wakes(): bool
    {
        return $this->beyond?->wakes($this->chance('night')) ?? false;
    }

    /** @return list<Place> one in five is missing or stands beside where it should be */
    private function felt(?HiddenMuscle $hidden, MuscleAt $at, Chance $chance): array
    {
        $places = $hidden->felt ?? [$this->atlas->placeOn($chance->pick(array_keys($this->atlas->zones)), $at->side)];
        $felt = [];
        foreach ($places as $place) {
            $wrong = $chance->happens(self::REFERRAL_WRONG);
            if (! $wrong) {
                $felt[] = $place;
            } elseif ($chance->oneIn(2)) {
                $neighbours = $this->atlas->zone($place->zone)->neighbours;
                $felt[] = $neighbours === [] ? $place : $this->atlas->placeOn($chance->pick($neighbours), $at->side);
            }
        }

        return $felt;
    }

    private function chance(string $check): Chance
    {
        return new Chance(crc32("{$this->seed}|$check"));
    }
}
