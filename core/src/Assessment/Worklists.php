<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Region;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Findings;

/**
 * Puts the list of a visit together from its regions: six measures and six muscles each, or all of them. In the position the client is in first, so that they turn
 * least; within a position what was measured last time first, since only that can be compared.
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

        return array_values(array_unique(array_map(fn (Complaint $complaint): string => $this->atlas->regionOf($complaint->zone)->id, $complaints)));
    }

    /**
     * @param  list<Region>  $regions
     * @return list<ListedMeasure>
     */
    private function measures(CaseFile $case, array $regions, bool $full, Tour $tour): array
    {
        $before = $this->before($case);
        $last = [...array_map(static fn ($one): string => "range {$one->movement}", $before->range), ...array_map(static fn ($one): string => "resisted {$one->movement}", $before->resisted), ...array_map(static fn ($one): string => "test {$one->test}", $before->tests)];
        $wanted = [];
        foreach ($regions as $region) {
            foreach ([...$region->quick, ...$region->more] as $index => $check) {
                // what was measured last time stays on the short list
                if ($full || $index < count($region->quick) || in_array(implode(' ', $check), $last, true)) {
                    $wanted[implode(' ', $check)] = $check;
                }
            }
        }
        $listed = [];
        foreach ($wanted as $key => [$kind, $id]) {
            $listed[] = $this->measure($case, $kind, $id, in_array($key, $last, true));
        }
        $order = array_flip(array_keys($wanted));
        usort($listed, static fn (ListedMeasure $a, ListedMeasure $b): int => [$tour->rank($a->position), ! $a->last, $order["{$a->kind} {$a->id}"]] <=> [$tour->rank($b->position), ! $b->last, $order["{$b->kind} {$b->id}"]]);

        return $listed;
    }

    private function measure(CaseFile $case, string $kind, string $id, bool $last): ListedMeasure
    {
        if ($kind === 'test') {
            $test = $this->atlas->test($id);

            return new ListedMeasure('test', $id, $test->name, $test->result, $test->paired, $test->position, $test->minutes, $last, $this->guard->refuses($test, $case) ?? $this->lies($case, $test->position));
        }
        $movement = $this->atlas->movement($id);

        return new ListedMeasure($kind === 'resisted' ? 'resisted' : 'range', $id, $movement->name, $kind === 'resisted' ? 'strength' : $movement->unit, $movement->paired, $movement->position, $movement->minutes, $last, $this->lies($case, $movement->position));
    }

    private function lies(CaseFile $case, string $position): ?string
    {
        $possible = array_map(Tour::family(...), $case->session->positionsPossible);

        return $possible === [] || $position === 'standing' || in_array($position, $possible, true) ? null : 'Not today: '.$this->atlas->position($position)->name.' is not possible.';
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
                if (array_intersect($muscle->zones, $region->zones) !== [] && ($full || isset($last[$muscle->id]))) {
                    $wanted[$muscle->id] = true;
                }
            }
        }
        $possible = array_map(Tour::family(...), $case->session->positionsPossible);
        $families = [];
        foreach (array_keys($wanted) as $id) {
            $own = array_values(array_unique(array_map(Tour::family(...), $this->atlas->muscle($id)->positions)));
            $today = array_values(array_filter($own, static fn (string $family): bool => $possible === [] || in_array($family, $possible, true)));
            $families[$id] = $today !== [] ? $today : ($own !== [] ? $own : ['seated']);
        }
        $settled = $tour->settle($families);
        $order = array_flip(array_keys($wanted));
        $stops = array_flip(array_values(array_unique($settled)));
        $listed = array_map(fn (string $id): ListedMuscle => new ListedMuscle($id, $this->atlas->muscle($id)->name, $settled[$id], isset($last[$id])), array_keys($wanted));
        usort($listed, static fn (ListedMuscle $a, ListedMuscle $b): int => [$stops[$a->position], ! $a->last, $order[$a->id]] <=> [$stops[$b->position], ! $b->last, $order[$b->id]]);

        return $listed;
    }

    private function before(CaseFile $case): Findings
    {
        return $case->history === [] ? new Findings : $case->history[count($case->history) - 1]->findings;
    }
}
