<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\ConsentArea;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\CaseFile;

/**
 * The one gate every touch passes, strokes as well as deep work: the limits of the case, what was agreed, the places never to be pressed, and what a position can reach.
 * A stroke that names no muscle is asked of every place it covers; work on a muscle of the places of its site.
 */
final class TouchGate
{
    /** @var array<string, list<Hazard>> by muscle; all of them for a stroke */
    private array $hazards = [];

    /** @param  list<ConsentArea>  $open  areas that nobody has agreed to */
    private function __construct(private readonly Atlas $atlas, private readonly LimitSet $limits, private readonly array $open)
    {
    }

    public static function of(Atlas $atlas, SafetyResult $safety, CaseFile $case): self
    {
        $agreed = array_map(static fn ($consent): string => $consent->area, array_filter($case->consent, static fn ($consent): bool => $consent->given));

        return new self($atlas, $safety->limits, array_values(array_diff_key($atlas->consentAreas, array_flip($agreed))));
    }

    /** The first thing that forbids the deed, or that has to be checked or agreed before it; null when nothing does. */
    public function forbidding(Deed $deed): ?Limit
    {
        return $this->limits->forbidding($deed) ?? $this->unreached($deed) ?? $this->unagreed($deed) ?? $this->hazards($deed)[0] ?? null;
    }

    /** @return list<Limit> all of them */
    public function against(Deed $deed): array
    {
        return [...$this->limits->against($deed), ...array_filter([$this->unreached($deed), $this->unagreed($deed)]), ...$this->hazards($deed)];
    }

    /** The lowest cap on how strong it may feel; null when nothing caps it. */
    public function pressureCap(Deed $deed): ?Limit
    {
        return $this->caps($deed)[0] ?? null;
    }

    /** @return list<Limit> every cap on how strong it may feel, the lowest first */
    public function caps(Deed $deed): array
    {
        $caps = $this->limits->touching($deed, Effect::CapPressure);
        foreach ($this->hazardsUnder($deed) as $hazard) {
            $cap = min(array_filter([
                $this->isBroad($deed) ? $hazard->broadCap : $hazard->cap, $this->isSustained($deed) ? $hazard->sustainedCap : null,
            ], static fn (?float $one): bool => $one !== null) ?: [INF]);
            if ($cap < INF) {
                $words = "{$hazard->name} lies there: light, at most $cap. {$hazard->safeLine}";
                $caps[] = new Limit(Effect::CapPressure, new Scope, $cap, ["hazard.{$hazard->id}"], [$words]);
            }
        }
        usort($caps, static fn (Limit $a, Limit $b): int => [(float) $a->value, $a->rules] <=> [(float) $b->value, $b->rules]);

        return $caps;
    }

    public function minutesCap(Deed $deed): ?Limit
    {
        return $this->limits->minutesCap($deed);
    }

    /** @return list<Limit> those that ask to watch something there */
    public function watching(Deed $deed): array
    {
        return array_values(array_filter($this->limits->touching($deed, Effect::Watch), static fn (Limit $limit): bool => ! $limit->scope->isEverything()));
    }

    /** @return list<Limit> what is watched in all that is done today */
    public function watchedEverywhere(): array
    {
        return array_values(array_filter($this->limits->all(), static fn (Limit $limit): bool => $limit->effect === Effect::Watch && $limit->scope->isEverything()));
    }

    /** @return list<Hazard> the places never to be pressed that a deed comes to: those its muscle lists, where its site lies; a stroke comes to all of them */
    public function hazardsUnder(Deed $deed): array
    {
        $muscle = $deed->muscle->muscle ?? '';
        $own = $this->hazards[$muscle] ??= array_values($muscle === ''
            ? $this->atlas->handbook()->hazards
            : array_map($this->atlas->handbook()->hazard(...), $this->atlas->muscle($muscle)->lore()->hazards));
        $under = [];
        foreach ($own as $hazard) {
            foreach ($deed->places as $place) {
                if (in_array($place->zone, $hazard->zones, true) && $hazard->liesOn($place->side)) {
                    $under[] = $hazard;

                    break;
                }
            }
        }

        return $under;
    }

    /** @return list<Limit> the places never to be pressed that forbid it */
    private function hazards(Deed $deed): array
    {
        $limits = [];
        foreach ($this->hazardsUnder($deed) as $hazard) {
            $why = match (true) {
                $this->isBroad($deed) && $hazard->broad => 'no stroke goes over it',
                $this->isSustained($deed) && $hazard->sustained => 'nothing is held there for long',
                $deed->tool !== null && in_array($deed->tool, $hazard->tools, true) => 'not with '.$this->atlas->tool($deed->tool)->name,
                default => null,
            };
            if ($why !== null) {
                $limits[] = new Limit(Effect::Exclude, new Scope, null, ["hazard.{$hazard->id}"], ["{$hazard->name}: $why."], $hazard->safeLine);
            }
        }

        return $limits;
    }

    private function isBroad(Deed $deed): bool
    {
        return $deed->muscle === null && $deed->technique !== null;
    }

    private function isSustained(Deed $deed): bool
    {
        return $deed->technique !== null && $this->atlas->technique($deed->technique)->sustained;
    }

    private function unreached(Deed $deed): ?Limit
    {
        if ($deed->position === null || $deed->places === []) {
            return null;
        }
        $position = $this->atlas->position($deed->position);
        $reached = array_filter($deed->places, fn (Place $place): bool => in_array($this->atlas->zone($place->zone)->surface, $position->reaches, true));
        $enough = $deed->muscle === null ? count($reached) === count($deed->places) : $reached !== [];

        return $enough ? null : new Limit(Effect::Exclude, new Scope(position: $deed->position), null, ['reach'], ["No hand comes to it {$position->name}."]);
    }

    private function unagreed(Deed $deed): ?Limit
    {
        foreach ($this->open as $area) {
            if ($this->covers($area, $deed)) {
                return new Limit(Effect::Consent, new Scope, $area->id, ["consent.{$area->id}"], ["Not agreed yet: {$area->words}."]);
            }
        }

        return null;
    }

    private function covers(ConsentArea $area, Deed $deed): bool
    {
        $in = array_filter($deed->places, static fn (Place $place): bool => in_array($place->zone, $area->zones, true));

        return match (true) {
            in_array($deed->technique, $area->techniques, true), $deed->muscle !== null && in_array($deed->muscle->muscle, $area->muscles, true) => true,
            // a site that lies in it altogether, or a stroke that goes over any of it
            $deed->muscle !== null => $in !== [] && count($in) === count($deed->places),
            default => $in !== [],
        };
    }
}
