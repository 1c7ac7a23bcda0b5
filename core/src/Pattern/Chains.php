<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Region;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Pattern\Evidence\StepsShort;

/**
 * Reads chains out of a ranking: a short muscle that keeps its antagonist overstretched and aching, a stiff region that makes its neighbour
 * work too much, the whole body where one side works, and else the busy side from jaw to pelvis. Nothing is claimed that was not found.
 */
final readonly class Chains
{
    /** What is needed to call a muscle short, or a side busier than the other, in log-odds (practice default). */
    private const TELLS = 0.3;

    private const MOST_PULLS = 3;

    public function __construct(private Atlas $atlas, private ChainFigures $figures, private WholePattern $whole)
    {
    }

    /** @return list<Chain> the whole body, where it tells; pulls, the strongest first; stiff regions; the busy side; what is not enough */
    public function of(CaseFile $case, PatternResult $pattern): array
    {
        $candidates = [];
        foreach ($pattern->candidates as $candidate) {
            $candidates[$candidate->at->key()] = $candidate;
        }

        $whole = (new WholeChain($this->atlas, $this->whole))->of($case, $candidates);
        // the whole pattern says of the busy side what the busy side says, and more
        $others = [
            ...$this->pulls($case, $candidates), ...$this->stiff($case),
            ...$whole?->isTold() === true ? [] : $this->busySide($case, $candidates),
        ];

        return match (true) {
            $whole === null => $others,
            $whole->isTold() => [$whole, ...$others],
            default => [...$others, $whole],
        };
    }

    /**
     * @param  array<string, Candidate>  $candidates
     * @return list<Chain>
     */
    private function pulls(CaseFile $case, array $candidates): array
    {
        $short = $pulled = [];
        foreach ($candidates as $candidate) { // the strongest first
            $on = $candidate->sum('shortness', 'posture') < self::TELLS ? [] : $this->pulledOn($case, $candidates, $candidate->at);
            if ($on !== []) {
                // those that pull on the same are one chain
                $what = implode(' ', array_map(static fn (array $one): string => $one[0]->key(), $on));
                $short[$what][] = $candidate;
                $pulled[$what] = $on;
            }
        }
        $chains = array_map($this->pull(...), $short, $pulled);

        return array_slice($chains, 0, self::MOST_PULLS);
    }

    /**
     * @param  array<string, Candidate>  $candidates
     * @return list<array{MuscleAt, Place}> antagonists that ache and are neither short nor the source themselves, and where
     */
    private function pulledOn(CaseFile $case, array $candidates, MuscleAt $at): array
    {
        $pulled = [];
        foreach ($this->atlas->muscle($at->muscle)->antagonists as $antagonist) {
            $other = new MuscleAt($antagonist, $at->side);
            $place = $this->aches($case, $other);
            $pulledOn = $candidates[$other->key()] ?? null;
            if (
                $place !== null && $pulledOn !== null && $pulledOn->role !== Role::Source
                    && $pulledOn->sum('shortness', 'posture') <= 0
            ) {
                $pulled[] = [$other, $place];
            }
        }

        return $pulled;
    }

    /**
     * @param  non-empty-list<Candidate>  $short  all on one side
     * @param  non-empty-list<array{MuscleAt, Place}>  $pulled
     */
    private function pull(array $short, array $pulled): Chain
    {
        $name = $this->name(...);
        $names = array_map(static fn (Candidate $one): string => $name($one->at), $short);
        $on = array_map(static fn (array $one): string => $name($one[0]), $pulled);
        $because = array_merge(...array_map(static fn (Candidate $one): array => self::because($one, 'shortness', 'posture'), $short));

        return new Chain(
            'short_pulls',
            ucfirst(self::listed($names)).(
                count($names) === 1 ? ' is' : ' are'
            )." short on the {$short[0]->at->side->value}, and ".self::listed($on).(
                count($on) === 1 ? ' aches,' : ' ache,'
            ).' overstretched.',
            array_values(array_unique($because)),
            [
                ...array_map(static fn (Candidate $one): MuscleAt => $one->at, $short),
                ...array_map(static fn (array $one): MuscleAt => $one[0], $pulled),
            ],
            array_map(
                fn (Candidate $one): Place => $this->atlas->placeOn($this->atlas->muscle($one->at->muscle)->zones[0] ?? '', $one->at->side),
                $short,
            ),
            array_values(array_unique(array_map(static fn (array $one): Place => $one[1], $pulled), SORT_REGULAR)),
        );
    }

    private function aches(CaseFile $case, MuscleAt $at): ?Place
    {
        foreach ($case->findings->complaints as $complaint) {
            if ($complaint->hurts() && $complaint->liesOver($this->atlas->muscle($at->muscle), $at->side)) {
                return $complaint->place();
            }
        }

        return null;
    }

    /** @return list<Chain> */
    private function stiff(CaseFile $case): array
    {
        $chains = [];
        foreach ($this->figures->stiff as $row) {
            $short = array_values(array_unique(array_merge(
                ...array_map(fn (array $check): array => $this->shortOf($case, ...$check), $row['measures']),
            )));
            $hurts = array_values(array_filter(
                $case->findings->complaints,
                fn (Complaint $complaint): bool => $complaint->hurts()
                    && in_array($this->atlas->regionOf($complaint->zone)->id, $row['overworks'], true),
            ));
            if ($short !== [] && $hurts !== []) {
                $region = $this->atlas->region($row['region']);
                $places = array_map(static fn (Complaint $complaint): Place => $complaint->place(), $hurts);
                $neighbours = array_values(array_unique(array_map(
                    fn (Place $place): string => lcfirst($this->atlas->regionOf($place->zone)->name), $places,
                )));
                $chains[] = new Chain(
                    'stiff', "{$region->name}: stiff, so that its work may fall to the ".implode(', and to the ', $neighbours).'.', $short,
                    [], $this->middleOf($region), $places,
                );
            }
        }

        return $chains;
    }

    /** @return list<string> what of this measure falls short of the usual by a measuring error or more */
    private function shortOf(CaseFile $case, string $kind, string $id): array
    {
        $about = $kind === 'range' ? $this->atlas->movement($id) : $this->atlas->test($id);
        $readings = $kind === 'range'
            ? array_map(
                static fn (RangeFinding $one): array => [
                    $one->movement, $one->side->after($about->name), [[$one->active, null], [$one->passive, null]],
                ],
                $case->findings->range,
            )
            : array_map(
                static fn (TestFinding $one): array => [
                    $one->test, $one->side->after(trim("{$about->name} {$one->segment}")), [[$one->value, null]],
                ],
                $case->findings->tests,
            );
        $short = array_filter(
            $readings, static fn (array $reading): bool => $reading[0] === $id && (StepsShort::of($about, $reading[2]) ?? 0) > 0,
        );

        return array_values(array_map(static fn (array $reading): string => "{$reading[1]} is short of the usual", $short));
    }

    /** @return list<Place> one place of the region on each side */
    private function middleOf(Region $region): array
    {
        return array_values(array_unique(
            array_map(fn (Side $side): Place => $this->atlas->placeOn($region->zones[0], $side), Side::pair()), SORT_REGULAR,
        ));
    }

    /**
     * @param  array<string, Candidate>  $candidates
     * @return list<Chain>
     */
    private function busySide(CaseFile $case, array $candidates): array
    {
        $busy = Side::tryFrom($case->client->hand ?? '');
        if ($busy === null || $busy === Side::Midline) {
            return [];
        }
        [$on, $across] = [[], 0];
        foreach ($this->figures->busy as $muscle) {
            $at = new MuscleAt($muscle, $busy);
            if (! isset($candidates[$at->key()])) { // told apart into its parts
                continue;
            }
            $here = $candidates[$at->key()]->sum('shortness', 'posture', 'palpation');
            $there = $candidates[$at->mirrored()->key()]->sum('shortness', 'posture', 'palpation');
            // what was found quiet on one side does not make the other, where nobody looked, the tighter one
            $on = $here >= self::TELLS && $here - $there >= self::TELLS ? [...$on, $at] : $on;
            $across += $there >= self::TELLS && $there - $here >= self::TELLS ? 1 : 0;
        }
        if (count($on) < $this->figures->busyAtLeast || count($on) <= $across) {
            return [];
        }
        $names = array_map($this->name(...), $on);

        return [new Chain(
            'busy_side',
            ucfirst(
                "{$busy->value} is the busy side: ".self::listed($names).(
                    count($on) === 1 ? ' is' : ' are'
                ).' shorter or tighter there than on the other.',
            ),
            $across === 0 ? [] : [$across.($across === 1 ? ' muscle leans' : ' muscles lean').' the other way'], $on, [], [],
        )];
    }

    /** Within a list, a part of a muscle stands in brackets: "trapezius (lower fibres)". */
    private function name(MuscleAt $at): string
    {
        $parts = explode(', ', lcfirst($this->atlas->muscle($at->muscle)->name), 2);

        return $parts[0].(isset($parts[1]) ? " ({$parts[1]})" : '');
    }

    /** @return list<string> */
    private static function because(Candidate $candidate, string ...$kinds): array
    {
        return array_values(array_map(
            static fn (Evidence $one): string => $one->text(),
            array_filter($candidate->evidence(), static fn (Evidence $one): bool => $one->weight > 0 && in_array($one->kind, $kinds, true)),
        ));
    }

    /** @param  list<string>  $names */
    private static function listed(array $names): string
    {
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names).' and '.$last;
    }
}
