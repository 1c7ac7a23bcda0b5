<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\ConsentArea;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\CaseFile;

/**
 * The one gate every touch passes, strokes as well as deep work: the limits of the case, what was agreed, the places never to be pressed,
 * and what a position can reach. A stroke that names no muscle is asked of every place it covers; work on a muscle of the places of its
 * site.
 */
final class TouchGate
{
    /**
     * @var array{
     *     area: array<string, list<int>>, technique: array<string, list<int>>, muscle: array<string, list<int>>,
     *     zone: array<string, list<int>>,
     * } places in the list of areas nobody agreed to, by what asks for them
     */
    private readonly array $opened;

    /** @var array<string, array<string, array<int, Hazard>>> by muscle and zone; all of them for a stroke */
    private array $hazards = [];

    /** @var array<string, list<Hazard>> by muscle and the places it is worked at */
    private array $under = [];

    /** @param  list<ConsentArea>  $open  areas that nobody has agreed to */
    private function __construct(private readonly Atlas $atlas, private readonly LimitSet $limits, private readonly array $open)
    {
        $opened = ['area' => [], 'technique' => [], 'muscle' => [], 'zone' => []];
        foreach ($open as $rank => $area) {
            foreach (
                ['area' => [$area->id], 'technique' => $area->techniques, 'muscle' => $area->muscles, 'zone' => $area->zones] as $kind
                    => $ids
            ) {
                foreach ($ids as $id) {
                    $opened[$kind][$id][] = $rank;
                }
            }
        }
        $this->opened = $opened;
    }

    public static function of(Atlas $atlas, SafetyResult $safety, CaseFile $case): self
    {
        $agreed = array_map(
            static fn ($consent): string => $consent->area, array_filter($case->consent, static fn ($consent): bool => $consent->given),
        );

        return new self($atlas, $safety->limits, array_values(array_diff_key($atlas->consentAreas, array_flip($agreed))));
    }

    /** The first thing that forbids the work, or that has to be checked or agreed before it; null when nothing does. */
    public function forbidding(ProposedWork $work): ?Limit
    {
        return $this->limits->forbidding($work) ?? $this->unreached($work) ?? $this->unagreed($work) ?? $this->hazards($work)[0] ?? null;
    }

    /** Whether a limit depends on the client lying so; what forbids a tool, and what caps it, depends on nothing else of a position. */
    public function heeds(string $position): bool
    {
        return $this->limits->heeds($position);
    }

    /** Whether a limit depends on this tool; what is asked with another is answered for it too. */
    public function heedsTool(?string $tool): bool
    {
        return $tool !== null && $this->limits->heedsTool($tool);
    }

    /** What forbids this tool for work that is allowed otherwise. */
    public function forbiddingTool(ProposedWork $work): ?Limit
    {
        return ($this->heedsTool($work->tool) ? $this->limits->forbidding($work) : null) ?? $this->hazards($work)[0] ?? null;
    }

    /** @return list<Limit> all of them */
    public function against(ProposedWork $work): array
    {
        return [
            ...$this->limits->against($work), ...array_filter([$this->unreached($work), $this->unagreed($work)]), ...$this->hazards($work),
        ];
    }

    /** The lowest cap on how strong it may feel; null when nothing caps it. */
    public function pressureCap(ProposedWork $work): ?Limit
    {
        return $this->caps($work)[0] ?? null;
    }

    /** @return list<Limit> every cap on how strong it may feel, the lowest first */
    public function caps(ProposedWork $work): array
    {
        $caps = $this->limits->touching($work, Effect::CapPressure);
        foreach ($this->hazardsUnder($work) as $hazard) {
            $cap = min(array_filter([
                $this->isBroad($work) ? $hazard->broadCap : $hazard->cap, $this->isSustained($work) ? $hazard->sustainedCap : null,
            ], static fn (?float $one): bool => $one !== null) ?: [INF]);
            if ($cap < INF) {
                $words = "{$hazard->name} lies there: light, at most $cap. {$hazard->safeLine}";
                $caps[] = new Limit(Effect::CapPressure, new Scope, $cap, ["hazard.{$hazard->id}"], [$words]);
            }
        }
        usort($caps, static fn (Limit $a, Limit $b): int => [(float) $a->value, $a->rules] <=> [(float) $b->value, $b->rules]);

        return $caps;
    }

    public function minutesCap(ProposedWork $work): ?Limit
    {
        return $this->limits->minutesCap($work);
    }

    /** @return list<Limit> those that ask to watch something there */
    public function watching(ProposedWork $work): array
    {
        return array_values(array_filter(
            $this->limits->touching($work, Effect::Watch), static fn (Limit $limit): bool => ! $limit->scope->isEverything(),
        ));
    }

    /** @return list<Limit> what is watched in all that is done today */
    public function watchedEverywhere(): array
    {
        return array_values(array_filter(
            $this->limits->all(), static fn (Limit $limit): bool => $limit->effect === Effect::Watch && $limit->scope->isEverything(),
        ));
    }

    /**
     * @return list<Hazard> the places never to be pressed that work comes to: those its muscle lists, where its site lies; a stroke comes
     * to all of them
     */
    public function hazardsUnder(ProposedWork $work): array
    {
        $muscle = $work->muscle->muscle ?? '';

        return $this->under[$muscle.'|'.implode('|', array_keys($work->placeKeys))] ??= $this->under($muscle, $work->places);
    }

    /**
     * @param  list<Place>  $places
     * @return list<Hazard>
     */
    private function under(string $muscle, array $places): array
    {
        $own = $this->hazards[$muscle] ??= $this->byZone($muscle === ''
            ? $this->atlas->handbook()->hazards
            : array_map($this->atlas->handbook()->hazard(...), $this->atlas->muscle($muscle)->hazards));
        $under = [];
        foreach ($places as $place) {
            foreach ($own[$place->zone] ?? [] as $rank => $hazard) {
                if ($hazard->liesOn($place->side)) {
                    $under[$rank] = $hazard;
                }
            }
        }
        ksort($under);

        return array_values($under);
    }

    /**
     * @param  array<Hazard>  $hazards
     * @return array<string, array<int, Hazard>> by zone, each with its rank
     */
    private function byZone(array $hazards): array
    {
        $byZone = [];
        foreach (array_values($hazards) as $rank => $hazard) {
            foreach ($hazard->zones as $zone) {
                $byZone[$zone][$rank] = $hazard;
            }
        }

        return $byZone;
    }

    /** @return list<Limit> the places never to be pressed that forbid it */
    private function hazards(ProposedWork $work): array
    {
        $under = $this->hazardsUnder($work);
        if ($under === []) {
            return [];
        }
        $limits = [];
        [$broad, $sustained] = [$this->isBroad($work), $this->isSustained($work)];
        foreach ($under as $hazard) {
            $why = match (true) {
                $broad && $hazard->broad => 'no stroke goes over it',
                $sustained && $hazard->sustained => 'nothing is held there for long',
                $work->tool !== null && in_array($work->tool, $hazard->tools, true) => 'not with '.$this->atlas->tool($work->tool)->name,
                default => null,
            };
            if ($why !== null) {
                $limits[] = new Limit(
                    Effect::Exclude, new Scope, null, ["hazard.{$hazard->id}"], ["{$hazard->name}: $why."], $hazard->safeLine,
                );
            }
        }

        return $limits;
    }

    private function isBroad(ProposedWork $work): bool
    {
        return $work->muscle === null && $work->technique !== null;
    }

    private function isSustained(ProposedWork $work): bool
    {
        return $work->technique !== null && $this->atlas->technique($work->technique)->sustained;
    }

    private function unreached(ProposedWork $work): ?Limit
    {
        if ($work->position === null || $work->places === []) {
            return null;
        }
        $position = $this->atlas->position($work->position);
        $opened = $work->setup === null ? [] : $this->atlas->handwork()->setup($work->setup)->opens;
        $reached = 0;
        foreach ($work->places as $place) {
            $reached += (in_array($this->atlas->zone($place->zone)->surface, $position->reaches, true)
                || in_array($place->zone, $opened, true)) && ! $position->hides($place) ? 1 : 0;
        }
        $enough = $work->muscle === null ? $reached === count($work->places) : $reached > 0;

        return $enough
            ? null
            : new Limit(
                Effect::Exclude, new Scope(position: $work->position), null, [Limit::REACH], ["No hand comes to it {$position->name}."],
            );
    }

    private function unagreed(ProposedWork $work): ?Limit
    {
        $asked = [
            ...$this->opened['technique'][$work->technique ?? ''] ?? [], ...$this->opened['muscle'][$work->muscle->muscle ?? ''] ?? [],
            ...$work->setup === null ? [] : $this->opened['area'][$this->atlas->handwork()->setup($work->setup)->consent ?? ''] ?? [],
        ];
        $covered = [];
        foreach ($work->places as $place) {
            foreach ($this->opened['zone'][$place->zone] ?? [] as $rank) {
                $covered[$rank] = ($covered[$rank] ?? 0) + 1;
            }
        }
        foreach ($covered as $rank => $places) {
            // a site that lies in it altogether, or a stroke that goes over any of it
            if ($work->muscle === null || $places === count($work->places)) {
                $asked[] = $rank;
            }
        }
        if ($asked === []) {
            return null;
        }
        $area = $this->open[min($asked)];

        return new Limit(Effect::Consent, new Scope, $area->id, ["consent.{$area->id}"], ["Not agreed yet: {$area->words}."]);
    }
}
