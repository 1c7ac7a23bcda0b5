<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** What a complete atlas would not leave open: nothing here is wrong, it is missing. */
final readonly class AtlasGaps
{
    public function __construct(private Atlas $atlas)
    {
    }

    /** @return array<string, int> how much of each kind the atlas knows */
    public function counts(): array
    {
        $muscles = $this->atlas->muscles;

        return [
            'muscles' => count(array_filter($muscles, static fn (Muscle $muscle): bool => ! $muscle->isStructure)),
            'structures' => count(array_filter($muscles, static fn (Muscle $muscle): bool => $muscle->isStructure)),
            'complaints' => count(array_merge(
                ...array_values(array_map(static fn (Muscle $muscle): array => $muscle->reference()->complaints, $muscles)),
            )),
            'landmarks' => count($this->atlas->handbook()->landmarks), 'zones' => count($this->atlas->zones),
            'hazards' => count($this->atlas->handbook()->hazards),
            'movements' => count($this->atlas->movements), 'directions' => count($this->atlas->handbook()->directions),
            'tests' => count($this->atlas->tests), 'regions' => count($this->atlas->regions),
            'posture signs' => count($this->atlas->postureSigns), 'techniques' => count($this->atlas->techniques),
            'tools' => count($this->atlas->tools),
            'positions' => count($this->atlas->positions), 'products' => count($this->atlas->products),
            'demands' => count($this->atlas->demands),
            'self-care' => count($this->atlas->handbook()->selfCare), 'consent areas' => count($this->atlas->consentAreas),
        ];
    }

    /** @return list<string> one sentence each */
    public function gaps(): array
    {
        $used = $this->used();
        $gaps = [];
        foreach (
            [
                'zone' => $this->atlas->zones, 'hazard' => $this->atlas->handbook()->hazards,
                'self-care' => $this->atlas->handbook()->selfCare, 'demand' => $this->atlas->demands,
                'consent area' => $this->atlas->consentAreas,
            ] as $kind
                => $rows
        ) {
            foreach (array_diff(array_map(strval(...), array_keys($rows)), $used[$kind]) as $id) {
                $gaps[] = "no muscle uses the $kind \"$id\"";
            }
        }
        foreach ($this->atlas->muscles as $muscle) {
            foreach ($this->missing($muscle) as $what) {
                $gaps[] = "{$muscle->id} has no $what";
            }
        }
        foreach ($this->atlas->postureSigns as $sign) {
            if ($sign->short === [] && $sign->long === []) {
                $gaps[] = "the posture sign \"{$sign->id}\" says nothing of any muscle";
            }
        }

        return $gaps;
    }

    /** @return list<string> */
    private function missing(Muscle $muscle): array
    {
        $reference = $muscle->reference();
        $wanted = [
            'referral' => $muscle->coreReferral, 'complaint in plain words' => $reference->complaints, 'synonym' => $reference->synonyms,
            'way to find it' => $reference->find,
        ];
        if (! $muscle->isStructure) {
            $wanted += ['action' => $this->atlas->does($muscle), 'nerve' => $reference->roots];
        }

        return array_keys(array_filter($wanted, static fn (array $list): bool => $list === []));
    }

    /** @return array<string, list<string>> ids in use, by kind */
    private function used(): array
    {
        $used = ['zone' => [], 'hazard' => [], 'self-care' => [], 'demand' => [], 'consent area' => $this->areasInUse()];
        foreach ($this->atlas->muscles as $muscle) {
            $reference = $muscle->reference();
            array_push($used['zone'], ...$muscle->everyZone(), ...$muscle->coreReferral, ...$muscle->spillOver);
            array_push($used['hazard'], ...$muscle->hazards);
            array_push($used['self-care'], ...$reference->selfCare);
            array_push($used['demand'], ...$muscle->demands);
        }

        return $used;
    }

    /** @return list<string> consent areas that cover something */
    private function areasInUse(): array
    {
        return array_keys(array_filter(
            $this->atlas->consentAreas,
            static fn (ConsentArea $area): bool => [...$area->muscles, ...$area->zones, ...$area->techniques, ...$area->setups] !== [],
        ));
    }
}
