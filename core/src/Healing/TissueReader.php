<?php

declare(strict_types=1);

namespace Somatrace\Core\Healing;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\CaseFile\SwellingTrend;

/**
 * Reads how far a hurt place has come from what was felt and measured there, today and at earlier visits. Heat with swelling, pain at rest
 * or guarding is acute, and so is swelling that rises; heat alone or swelling that stays or falls is sub-acute. Signs only ever make the
 * answer of the dates more careful (practice default).
 */
final readonly class TissueReader
{
    public function __construct(private Atlas $atlas, private TissueFigures $figures)
    {
    }

    /**
     * @param  list<Place>|null  $places  where to look; null is everywhere
     * @param  SwellingTrend|null  $said  what was said of the swelling
     */
    public function read(CaseFile $case, ?array $places, ?SwellingTrend $said): Tissue
    {
        $region = $this->region($places);
        $swellings = [];
        foreach ($case->history as $visit) {
            $swellings[] = [$visit->date, $this->swelling($visit->findings, $region)];
        }
        $swellings[] = [$case->asOf, $this->swelling($case->findings, $region)];
        $trend = SwellingTrend::stricter($said, $this->trend(array_column($swellings, 1)));
        $warm = $this->felt($case->findings, $region, static fn (PalpationFinding $felt): bool => in_array('warm', $felt->texture, true));
        $swollen = $this->isSwollen($swellings[count($swellings) - 1][1]);
        $pain = $this->painsAtRest($case->findings, $region);
        $guarded = $this->guards($case->findings, $region);
        $swells = $swollen || ! in_array($trend, [null, SwellingTrend::Gone], true);
        $stage = match (true) {
            $trend === SwellingTrend::Rising, $warm && ($swells || $pain || $guarded) => Stage::Acute,
            $warm, $swells => Stage::Subacute,
            default => null,
        };
        $signs = $stage === null
            ? []
            : array_keys(array_filter([
                'warm to the hand' => $warm, 'swollen' => $swollen, 'painful at rest' => $pain, 'guarded' => $guarded,
            ]));

        return new Tissue($stage, $trend, $this->swollenDays($swellings), $signs);
    }

    /** Whether swelling anywhere was measured over so many days and does not go down; what is not swollen today is not followed back. */
    public function swellingStays(CaseFile $case, int $days): bool
    {
        $felt = $this->felt($case->findings, null, static fn (PalpationFinding $one): bool => in_array('swollen', $one->texture, true));
        if (! $felt && ! $this->isSwollen($this->swelling($case->findings->withPalpation([]), null))) {
            return false;
        }
        $tissue = $this->read($case, null, null);

        return in_array($tissue->swelling, [SwellingTrend::Same, SwellingTrend::Rising], true) && $tissue->swollenDays >= $days;
    }

    /**
     * @param  list<Place>|null  $places
     * @return array<string, Place>|null the places and those that touch them, by key
     */
    private function region(?array $places): ?array
    {
        if ($places === null) {
            return null;
        }
        $region = [];
        foreach ($places as $place) {
            foreach ($this->atlas->around($place) as $near) {
                $region[$near->key()] = $near;
            }
        }

        return $region;
    }

    /**
     * What a visit says of the swelling there: each spot felt, each limb graded or taped; empty where nobody looked.
     *
     * @param  array<string, Place>|null  $region
     * @return array<string, array{value: float, from: float, step: float}> by spot: how much, from when on it is swollen, what change is
     *         real
     */
    private function swelling(Findings $findings, ?array $region): array
    {
        $seen = [];
        foreach ($findings->palpation as $felt) {
            if ($this->lies($felt->muscle, $felt->site, $felt->side, $region)) {
                $seen["{$felt->at()->key()}:{$felt->site}"] = [
                    'value' => in_array('swollen', $felt->texture, true) ? 1.0 : 0.0, 'from' => 1.0, 'step' => 1.0,
                ];
            }
        }
        $girths = [];
        foreach ($findings->tests as $test) {
            if ($test->value === null) {
                continue;
            }
            if ($test->test === $this->figures->swellingTest && $this->isLimb($test->side, $region)) {
                $seen["grade:{$test->side->value}"] = [
                    'value' => $test->value, 'from' => $this->figures->swellingGrade, 'step' => $this->step($test->test),
                ];
            } elseif (in_array($test->test, $this->figures->girthTests, true)) {
                $girths[$test->test][$test->side->value] = $test->value;
            }
        }
        // without a named place a thicker limb may be a trained one, or the other may have wasted
        foreach ($region === null ? [] : $girths as $name => $girth) {
            foreach (Side::pair() as $side) {
                [$own, $other] = [$girth[$side->value] ?? null, $girth[$side->mirrored()->value] ?? null];
                if ($own !== null && $other !== null && $this->isLimb($side, $region)) {
                    $seen["$name:{$side->value}"] = [
                        'value' => $own - $other, 'from' => $this->figures->girthCm, 'step' => $this->step($name),
                    ];
                }
            }
        }

        return $seen;
    }

    private function step(string $test): float
    {
        return $this->atlas->test($test)->measurementError ?? 1;
    }

    /**
     * From the last visit that looked to today, spot by spot: one that rises outweighs all that fall.
     *
     * @param  non-empty-list<array<string, array{value: float, from: float, step: float}>>  $visits  today last
     */
    private function trend(array $visits): ?SwellingTrend
    {
        $today = array_pop($visits);
        $trend = null;
        foreach ($today as $spot => $now) {
            $before = null;
            foreach ($visits as $visit) {
                $before = $visit[$spot] ?? $before;
            }
            if ($before === null) {
                continue;
            }
            $change = $now['value'] - $before['value'];
            $trend = SwellingTrend::stricter($trend, match (true) {
                $change >= $now['step'] && $now['value'] >= $now['from'] => SwellingTrend::Rising,
                $now['value'] < $now['from'] => $before['value'] >= $before['from'] ? SwellingTrend::Gone : null,
                $change <= -$now['step'] => SwellingTrend::Falling,
                default => SwellingTrend::Same,
            });
        }

        return $trend;
    }

    /** @param  array<string, array{value: float, from: float, step: float}>  $spots */
    private function isSwollen(array $spots): bool
    {
        return array_filter($spots, static fn (array $spot): bool => $spot['value'] >= $spot['from']) !== [];
    }

    /**
     * @param  non-empty-list<array{\DateTimeImmutable, array<string, array{value: float, from: float, step: float}>}>  $visits  today last
     */
    private function swollenDays(array $visits): ?int
    {
        [$today, $since] = [$visits[count($visits) - 1][0], null];
        foreach (array_reverse($visits) as [$date, $spots]) {
            if ($spots === [] && $since !== null) {
                continue;
            }
            if (! $this->isSwollen($spots)) {
                break;
            }
            $since = $date;
        }

        return $since === null ? null : Dates::days($since, $today);
    }

    /** @param  array<string, Place>|null  $region */
    private function painsAtRest(Findings $findings, ?array $region): bool
    {
        foreach ($findings->complaints as $complaint) {
            if (($region === null || isset($region[$complaint->place()->key()])) && ($complaint->now ?? 0) >= $this->figures->painAtRest) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<string, Place>|null  $region */
    private function guards(Findings $findings, ?array $region): bool
    {
        foreach ($findings->range as $range) {
            $there = array_filter($range->feltIn, static fn (Place $place): bool => $region === null || isset($region[$place->key()]));
            if ($there !== [] && in_array($range->endFeel, ['guarded', 'empty'], true)) {
                return true;
            }
        }

        return $this->felt($findings, $region, static fn (PalpationFinding $felt): bool => $felt->tone === 'spasm');
    }

    /**
     * @param  array<string, Place>|null  $region
     * @param  callable(PalpationFinding): bool  $is
     */
    private function felt(Findings $findings, ?array $region, callable $is): bool
    {
        foreach ($findings->palpation as $felt) {
            if ($is($felt) && $this->lies($felt->muscle, $felt->site, $felt->side, $region)) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<string, Place>|null  $region */
    private function lies(string $muscle, ?string $site, Side $side, ?array $region): bool
    {
        foreach ($this->atlas->muscle($muscle)->zonesOf($site) as $zone) {
            if ($region === null || isset($region[$this->atlas->placeOn($zone, $side)->key()])) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<string, Place>|null  $region */
    private function isLimb(Side $side, ?array $region): bool
    {
        foreach ($region ?? [] as $place) {
            if ($place->side === $side && in_array($this->atlas->zone($place->zone)->group, $this->figures->limbGroups, true)) {
                return true;
            }
        }

        return $region === null;
    }
}
