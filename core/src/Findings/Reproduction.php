<?php

declare(strict_types=1);

namespace Somatrace\Core\Findings;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Aggravator;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\ResistedFinding;

/** Whether what was moved, resisted and felt today brings on what the client came with. What was not asked of pain was not examined. */
final readonly class Reproduction
{
    /** @param  array<string, list<string>>  $groupsOf  by joint, the first part of a movement's id: the groups of zones it moves */
    public function __construct(private Atlas $atlas, private array $groupsOf)
    {
    }

    /** A complaint whose region was examined with so many movements and muscles, none of which brought it on. */
    public function unexplained(CaseFile $case, int $movements, int $muscles): bool
    {
        foreach ($case->findings->complaints as $complaint) {
            if (! $complaint->hurts()) {
                continue;
            }
            $examined = [];
            foreach ($this->moved($case, $complaint) as $one) {
                if ($one->pain > 0) {
                    continue 2;
                }
                $examined[$one->movement] = true;
            }
            if (count($examined) < $movements) {
                continue;
            }
            $palpated = [];
            foreach ($this->felt($case, $complaint) as $one) {
                if ($this->brings($one, $complaint)) {
                    continue 2;
                }
                $palpated[$one->muscle] = true;
            }
            if (count($palpated) >= $muscles) {
                return true;
            }
        }

        return false;
    }

    /**
     * A complaint in such a place that movements were tried on, and none changed.
     *
     * @param  callable(Place): bool  $isThere
     */
    public function unmoved(CaseFile $case, callable $isThere): bool
    {
        foreach ($case->findings->complaints as $complaint) {
            $moved = $isThere($complaint->place()) ? $this->moved($case, $complaint) : [];
            $changed = array_filter($moved, static fn (RangeFinding|ResistedFinding $one): bool => $one->pain > 0) !== [];
            $answers = array_filter([...$complaint->worseWith, ...$complaint->betterWith], $this->isMechanical(...)) !== [];
            if ($moved !== [] && ! $changed && ! $answers) {
                return true;
            }
        }

        return false;
    }

    /** The night, warmth or a painkiller change a pain of any kind. */
    private function isMechanical(Aggravator $one): bool
    {
        return $one->situation === null || $this->atlas->handbook()->situation($one->situation)->loads;
    }

    /** @return list<string> the groups of zones a movement moves */
    public function groupsOf(string $movement): array
    {
        return $this->groupsOf[explode('.', $movement)[0]] ?? [];
    }

    /** @return list<RangeFinding|ResistedFinding> what was moved in its region and asked of pain */
    private function moved(CaseFile $case, Complaint $complaint): array
    {
        $group = $this->atlas->zone($complaint->zone)->group;

        return array_values(array_filter(
            [...$case->findings->range, ...$case->findings->resisted],
            fn (RangeFinding|ResistedFinding $one): bool => $one->pain !== null && in_array($group, $this->groupsOf($one->movement), true),
        ));
    }

    /** @return list<PalpationFinding> */
    private function felt(CaseFile $case, Complaint $complaint): array
    {
        $group = $this->atlas->zone($complaint->zone)->group;

        $near = fn (PalpationFinding $one): bool => array_filter(
            $this->atlas->muscle($one->muscle)->zones, fn (string $zone): bool => $this->atlas->zone($zone)->group === $group,
        ) !== [];

        return array_values(array_filter(
            $case->findings->palpation,
            static fn (PalpationFinding $one): bool => ($one->tenderness !== null || $one->familiar !== null) && $near($one),
        ));
    }

    private function brings(PalpationFinding $felt, Complaint $complaint): bool
    {
        return $felt->familiar === Answer::Yes || ($felt->tenderness ?? 0) >= 2
            || array_filter($felt->refersTo, static fn (Place $place): bool => $place->zone === $complaint->zone) !== [];
    }
}
