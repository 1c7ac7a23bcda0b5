<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Region;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Findings;

/**
 * Puts the list of a visit together from what hurts and its regions: six measures and six muscles each, or all of them; and where a
 * complaint feels like a nerve, what tells a nerve root, since that decides how hands may go on. In the position the client is in first,
 * so that they turn least; within a position the nerve first, then what was measured last time, since only that can be compared.
 */
final readonly class Worklists
{
    public function __construct(private Atlas $atlas, private TestGuard $guard)
    {
    }

    /**
     * @param  list<string>  $regions  ids; the regions of the complaints without them
     * @param  string|null  $position  where the client is now: standing or a family of positions
     */
    public function of(CaseFile $case, array $regions = [], bool $full = false, ?string $position = null): Worklist
    {
        $regions = $regions === [] ? $this->complainedOf($case) : $regions;
        $chosen = array_map($this->atlas->region(...), $regions);
        $tour = Tour::from($position);
        $measures = $this->measures($case, $chosen, $full, $tour);
        $last = $measures === [] ? null : $measures[count($measures) - 1]->position;

        // hands go on where the measuring ended
        return new Worklist($regions, $full, $position, $measures, $this->muscles($case, $chosen, $full, Tour::from($position ?? $last)));
    }

    /** @return list<string> the worst complaint first; those of the last visit when there is none today */
    public function complainedOf(CaseFile $case): array
    {
        $complaints = $case->findings->complaints === [] ? $this->before($case)->complaints : $case->findings->complaints;
        usort($complaints, static fn (Complaint $a, Complaint $b): int => [$b->now, $a->place()->key()] <=> [$a->now, $b->place()->key()]);

        return array_values(array_unique(array_map(
            fn (Complaint $complaint): string => $this->atlas->regionOf($complaint->zone)->id, $complaints,
        )));
    }

    /**
     * @param  list<Region>  $regions
     * @return list<ListedMeasure>
     */
    private function measures(CaseFile $case, array $regions, bool $full, Tour $tour): array
    {
        $before = $this->before($case);
        $last = [
            ...array_map(static fn ($one): string => "range {$one->movement}", $before->range),
            ...array_map(static fn ($one): string => "resisted {$one->movement}", $before->resisted),
            ...array_map(static fn ($one): string => "test {$one->test}", $before->tests),
        ];
        $wanted = [];
        $nerve = [];
        foreach ($regions as $region) {
            if ($this->feelsLikeNerve($case, $region)) {
                $nerve += self::keyed($region->nerve);
            }
            // what was measured last time stays on the short list
            $more = array_filter(
                self::keyed([...$region->more, ...$region->nerve]), static fn (string $key): bool => $full || in_array($key, $last, true),
                ARRAY_FILTER_USE_KEY,
            );
            $wanted += self::keyed($this->askedFirst($case, $region)) + self::keyed($region->quick) + $more;
        }
        $wanted = $nerve + $wanted;
        $listed = [];
        foreach ($wanted as $key => [$kind, $id]) {
            $listed[] = $this->measure($case, $kind, $id, in_array($key, $last, true), isset($nerve[$key]));
        }
        $order = array_flip(array_keys($wanted));
        $rank = static fn (ListedMeasure $one): array => [
            $tour->rank($one->position), ! $one->nerve, ! $one->last, $order["{$one->kind} {$one->id}"],
        ];
        usort($listed, static fn (ListedMeasure $a, ListedMeasure $b): int => $rank($a) <=> $rank($b));

        return $listed;
    }

    /** @return list<array{string, string}> what the places that hurt ask for, before what the region asks for */
    private function askedFirst(CaseFile $case, Region $region): array
    {
        return array_merge(...array_map(
            static fn (Complaint $one): array => $one->hurts() ? $region->askedBy($one->zone) : [], $case->findings->complaints,
        ));
    }

    /**
     * @param  list<array{string, string}>  $checks  kind and id
     * @return array<string, array{string, string}>
     */
    private static function keyed(array $checks): array
    {
        return array_combine(array_map(static fn (array $check): string => implode(' ', $check), $checks), $checks);
    }

    private function feelsLikeNerve(CaseFile $case, Region $region): bool
    {
        return array_filter(
            $case->findings->complaints,
            static fn (Complaint $one): bool => in_array($one->zone, $region->zones, true)
                && array_intersect($one->qualities, $region->nerveQualities) !== [],
        ) !== [];
    }

    private function measure(CaseFile $case, string $kind, string $id, bool $last, bool $nerve): ListedMeasure
    {
        if ($kind === 'test') {
            $test = $this->atlas->test($id);

            return new ListedMeasure(
                'test', $id, $test->name, $test->result, $test->paired, $test->position, $test->minutes, $last, $nerve,
                $this->guard->refuses($test, $case) ?? $this->lies($case, $test->position),
            );
        }
        $movement = $this->atlas->movement($id);

        return new ListedMeasure(
            $kind === 'resisted' ? 'resisted' : 'range', $id, $movement->name, $kind === 'resisted' ? 'strength' : $movement->unit,
            $movement->paired, $movement->position, $movement->minutes, $last, $nerve, $this->lies($case, $movement->position),
        );
    }

    private function lies(CaseFile $case, string $position): ?Refusal
    {
        $possible = array_map(Tour::family(...), $case->session->positionsPossible);

        return $possible === [] || $position === 'standing' || in_array($position, $possible, true)
            ? null : Refusal::of(RefusalKind::Position, 'Not today: '.$this->atlas->position($position)->name.' is not possible.');
    }

    /**
     * @param  list<Region>  $regions
     * @return list<ListedMuscle>
     */
    private function muscles(CaseFile $case, array $regions, bool $full, Tour $tour): array
    {
        $last = array_fill_keys(array_map(static fn ($one): string => $one->muscle, $this->before($case)->palpation), true);
        $wanted = [];
        foreach ($regions as $region) {
            foreach ($region->quickMuscles as $muscle) {
                $wanted[$muscle] = true;
            }
            foreach ($this->atlas->muscles as $muscle) {
                if (
                    array_intersect($muscle->zones, $region->zones) !== []
                        && (($full && $muscle->partOf === null) || isset($last[$muscle->id]))
                ) {
                    $wanted[$muscle->id] = true;
                }
            }
        }
        $possible = array_map(Tour::family(...), $case->session->positionsPossible);
        $families = [];
        foreach (array_keys($wanted) as $id) {
            $own = array_values(array_unique(array_map(Tour::family(...), $this->atlas->muscle($id)->positions)));
            $today = array_values(array_filter(
                $own, static fn (string $family): bool => $possible === [] || in_array($family, $possible, true),
            ));
            $families[$id] = $today !== [] ? $today : ($own !== [] ? $own : ['seated']);
        }
        $settled = $tour->settle($families);
        $order = array_flip(array_keys($wanted));
        $stops = array_flip(array_values(array_unique($settled)));
        $listed = array_map(
            fn (string $id): ListedMuscle => new ListedMuscle($id, $this->atlas->muscle($id)->name, $settled[$id], isset($last[$id])),
            array_keys($wanted),
        );
        usort(
            $listed,
            static fn (ListedMuscle $a, ListedMuscle $b): int => [$stops[$a->position], ! $a->last, $order[$a->id]]
                <=> [$stops[$b->position], ! $b->last, $order[$b->id]],
        );

        return $listed;
    }

    private function before(CaseFile $case): Findings
    {
        return $case->history === [] ? new Findings : $case->history[count($case->history) - 1]->findings;
    }
}
