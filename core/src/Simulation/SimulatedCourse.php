<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\Complaint;

/**
 * A simulated client over visits: what is hidden changes with the days and with what is done. Work on a source helps the more, the
 * larger the dose, up to what the client bears; beyond that it flares. What is fresh heals by itself, what is old comes back where
 * the days ask for it, and in one of five the pain comes from nothing that hands reach. Its make-up was fixed before any figure of the
 * judgement was tuned and is not changed to please (docs/course-trial.md); all figures are practice defaults.
 */
final class SimulatedCourse
{
    /** No muscle explains it. */
    private const ELSEWHERE = 0.2;

    /** It began a short while ago and heals by itself. */
    private const FRESH = 0.25;

    /** What a client bears of one muscle on one day, kPa·s, and how far clients differ (SD of its logarithm). */
    private const BEARS = 9000.0;

    private const BEARS_SPREAD = 0.35;

    /** The most of a source one visit takes away. */
    private const GAIN = 0.4;

    /** Days in which a fresh source halves by itself, and one that is old. */
    private const HALF_FRESH = 16.0;

    private const HALF_OLD = 240.0;

    /** Share a day by which an old source comes back where the days ask for it. */
    private const COMES_BACK = 0.012;

    private const ANSWERS = 0.85;

    private const PAIN_NOISE = 0.7;

    /** @var array<string, float> how strong each source is now, by muscle and side */
    private array $strength;

    /** @var array<string, float> by muscle and side */
    private array $dose = [];

    private float $flare = 0.0;

    private float $elsewhere = 1.0;

    private float $soreHours = 0.0;

    private int $visits = 0;

    private function __construct(
        private readonly Atlas $atlas,
        private readonly SimulatedClient $base,
        private readonly Chance $chance,
        public readonly bool $isMuscular,
        public readonly bool $isFresh,
        private readonly float $bears,
        private readonly float $adherence,
    ) {
        $this->strength = array_map(
            static fn (HiddenMuscle $one): float => $one->strength,
            array_filter($base->hidden, static fn (HiddenMuscle $one): bool => $isMuscular && $one->isSource()),
        );
    }

    public static function of(Atlas $atlas, SimulatedClient $base): self
    {
        $chance = new Chance(crc32("course|$base->seed"));

        return new self(
            $atlas, $base, $chance, ! $chance->happens(self::ELSEWHERE), $chance->happens(self::FRESH),
            self::BEARS * exp($chance->normal(self::BEARS_SPREAD)), $chance->unit(),
        );
    }

    /** The client as they are today: what is asked and felt answers to what is hidden now, with the noise of the day. */
    public function today(): SimulatedClient
    {
        $hidden = [];
        foreach ($this->base->hidden as $key => $one) {
            $left = $one->isSource() ? $this->left($key) : 1.0;
            $hidden[$key] = new HiddenMuscle(
                $one->at, $this->strength[$key] ?? 0.0, $one->tightness * (0.25 + 0.75 * $left), $one->irritability * (0.25 + 0.75 * $left),
                $one->felt,
            );
        }
        $share = $this->base->complaints === [] ? 0.0 : $this->pain() / max(1.0, (float) $this->base->complaints[0]->now);
        $noise = new Chance(crc32("pain|{$this->base->seed}|$this->visits"));

        return new SimulatedClient(
            $this->atlas, crc32("visit|{$this->base->seed}|$this->visits"), $this->base->region, $hidden,
            array_map(static fn (Complaint $one): Complaint => new Complaint(
                $one->zone, $one->side, max(0.0, min(10.0, round($one->now * $share + $noise->normal(self::PAIN_NOISE)))),
            ), $this->base->complaints),
            $this->base->demands, $this->base->hand, 0.0, 0.9,
        );
    }

    /** What is true of the pain, 0–10: its share of the first, and a flare on top. */
    public function pain(): float
    {
        $first = (float) ($this->base->complaints[0]->now ?? 0.0);
        $at = $this->isMuscular ? $this->shareLeft() : $this->elsewhere;

        return max(0.0, min(10.0, $first * $at + $this->flare));
    }

    public function firstPain(): float
    {
        return (float) ($this->base->complaints[0]->now ?? 0.0);
    }

    /** How much is left of one source, 0–1; nothing of what is none. */
    public function left(string $key): float
    {
        $first = $this->base->hidden[$key]->strength ?? 0.0;

        return $first > 0 ? ($this->strength[$key] ?? 0.0) / $first : 0.0;
    }

    public function isSource(string $key): bool
    {
        return isset($this->strength[$key]);
    }

    /** What one day is borne of one muscle, kPa·s. */
    public function bears(): float
    {
        return $this->bears;
    }

    /** How long the last visit left it sore, and whether it was worse: what is true, whether somebody asks or not. */
    public function soreHours(): float
    {
        return $this->soreHours;
    }

    public function isWorse(): bool
    {
        return $this->flare >= 1.0;
    }

    /** @param  array<string, float>  $doses  kPa·s by muscle and side */
    public function work(array $doses): void
    {
        $this->visits++;
        $this->dose = $doses;
        $this->soreHours = 0.0;
        $this->flare = 0.0;
        foreach ($doses as $key => $dose) {
            $over = $dose / $this->bears;
            $this->soreHours = max($this->soreHours, $over <= 1 ? 20 * $over ** 2 : 20 + 80 * ($over - 1));
            $this->flare = max($this->flare, $over <= 1 ? 0.0 : 0.3 + 3 * ($over - 1));
            if (isset($this->strength[$key])) {
                $this->strength[$key] *= 1 - self::GAIN * (1 - exp(-2 * min(1.0, $over))) * max(0.3, 1 - max(0.0, $over - 1));
            }
        }
    }

    /** Days go by. @return Aftermath|null what was answered of the visit before; null where nobody answered */
    public function wait(int $days): ?Aftermath
    {
        $answer = $this->chance->happens(self::ANSWERS)
            ? new Aftermath(
                48, sorenessHours: max(0.0, round($this->soreHours * (1 + $this->chance->normal(0.15)))),
                worse: $this->isWorse() !== $this->chance->happens(0.03),
            )
            : null;
        $half = $this->isFresh ? self::HALF_FRESH : self::HALF_OLD;
        foreach ($this->strength as $key => $now) {
            $first = $this->base->hidden[$key]->strength;
            $back = $this->isFresh ? 0.0 : self::COMES_BACK * (1 - 0.7 * $this->adherence);
            $healed = $now * 0.5 ** ($days / $half);
            $this->strength[$key] = $healed + ($first - $healed) * (1 - (1 - $back) ** $days);
        }
        $this->flare *= 0.5 ** ($days / 3);

        return $answer;
    }

    private function shareLeft(): float
    {
        $first = array_sum(array_map(fn (string $key): float => $this->base->hidden[$key]->strength, array_keys($this->strength)));

        return $first > 0 ? array_sum($this->strength) / $first : 0.0;
    }

    /** @return array<string, float> what was worked last, kPa·s by muscle and side */
    public function lastDoses(): array
    {
        return $this->dose;
    }
}
