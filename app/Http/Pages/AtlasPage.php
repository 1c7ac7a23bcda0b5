<?php

declare(strict_types=1);

namespace App\Http\Pages;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\DirectionUse;
use Somatrace\Core\Anatomy\FindStep;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\Landmark;
use Somatrace\Core\Anatomy\Movement;
use Somatrace\Core\Anatomy\MovementUse;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\NotWith;
use Somatrace\Core\Anatomy\Relation;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\Anatomy\Test;
use Somatrace\Core\Clinic;

/**
 * One entry of the atlas in words, the same for its page and for the sheet that opens beside the work.
 *
 * A link is {kind, id, name}; everything else is text. What has no entry of its own (tools, positions) is named only.
 */
final readonly class AtlasPage
{
    private const GROUPS = [
        'head_jaw' => 'Head and jaw', 'neck' => 'Neck', 'shoulder_girdle' => 'Shoulder girdle', 'shoulder' => 'Shoulder',
        'arm' => 'Upper arm', 'forearm' => 'Forearm', 'hand' => 'Hand',
        'back' => 'Back', 'trunk' => 'Ribs and belly', 'hip' => 'Hip', 'thigh' => 'Thigh', 'leg' => 'Leg', 'foot' => 'Foot',
        'structure' => 'Bands and tendons',
    ];

    private const LAYERS = [1 => 'surface', 2 => 'middle', 3 => 'deep', 4 => 'deepest'];

    private const UNITS = [
        'deg' => '°', 'mm' => ' mm', 'cm' => ' cm', 'glide' => ' of 3', 'kg' => ' kg', 'grade' => ' of 3', 'result' => '',
        's' => ' s', 'times' => ' times',
    ];

    public function __construct(private Clinic $clinic)
    {
    }

    /** @return array<string, mixed> everything there is to browse, and what was found */
    public function index(string $asked): array
    {
        $groups = [];
        foreach ($this->atlas()->muscles as $muscle) {
            $groups[$muscle->group][] = $this->link('muscle', $muscle->id, $muscle->name);
        }

        return [
            'asked' => $asked,
            'hits' => $asked === '' ? [] : $this->clinic->search()->find($asked),
            'groups' => array_map(
                static fn (string $group): array => ['name' => self::GROUPS[$group] ?? $group, 'entries' => $groups[$group]],
                array_keys($groups),
            ),
            'movements' => array_map(
                fn (Movement $row): array => $this->link('movement', $row->id, $row->name), array_values($this->atlas()->movements),
            ),
            'tests' => array_map(fn (Test $row): array => $this->link('test', $row->id, $row->name), array_values($this->atlas()->tests)),
            'techniques' => array_map(
                fn (Technique $row): array => $this->link('technique', $row->id, $row->name), array_values($this->atlas()->techniques),
            ),
            'landmarks' => array_map(
                fn (Landmark $row): array => $this->link('landmark', $row->id, $row->name),
                array_values($this->atlas()->handbook()->landmarks),
            ),
        ];
    }

    /** @return array<string, mixed>|null null when there is no such entry */
    public function entry(string $kind, string $id): ?array
    {
        $atlas = $this->atlas();
        $row = match ($kind) {
            'muscle' => $atlas->muscles[$id] ?? null,
            'movement' => $atlas->movements[$id] ?? null,
            'test' => $atlas->tests[$id] ?? null,
            'technique' => $atlas->techniques[$id] ?? null,
            'landmark' => $atlas->handbook()->landmarks[$id] ?? null,
            default => null,
        };

        return $row === null ? null : ['kind' => $kind, 'id' => $id, 'name' => $row->name, ...match (true) {
            $row instanceof Muscle => $this->muscle($row),
            $row instanceof Movement => $this->movement($row),
            $row instanceof Test => $this->test($row),
            $row instanceof Technique => $this->technique($row),
            $row instanceof Landmark => $this->landmark($row),
        }];
    }

    /** @return array<string, mixed> */
    private function muscle(Muscle $muscle): array
    {
        $reference = $muscle->reference();

        return [
            'plain' => $muscle->plain, 'synonyms' => $reference->synonyms, 'group' => self::GROUPS[$muscle->group] ?? $muscle->group,
            'structure' => $muscle->isStructure,
            'layer' => self::LAYERS[$muscle->layer] ?? '', 'tissue' => $muscle->tissue->value, 'advanced' => $muscle->advanced,
            'most_felt' => $muscle->mostFelt, 'ppt_kpa' => $muscle->pptKpa,
            'zones' => $muscle->zones, 'core' => $muscle->coreReferral, 'spill_over' => $muscle->spillOver,
            'under' => $this->zoneNames($muscle->zones), 'felt_at' => $this->zoneNames($muscle->coreReferral),
            'also_at' => $this->zoneNames($muscle->spillOver),
            'find' => array_map(
                fn (FindStep $step): array => [
                    'do' => $step->do, 'landmark' => $step->landmark === null ? null : $this->point($step->landmark),
                ],
                $reference->find,
            ),
            'proof' => $reference->proof?->do,
            'upper' => ['words' => $reference->upper->words, 'landmarks' => array_map($this->point(...), $reference->upper->landmarks)],
            'lower' => ['words' => $reference->lower->words, 'landmarks' => array_map($this->point(...), $reference->lower->landmarks)],
            'part_of' => $this->muscles(array_filter([$muscle->partOf]))[0] ?? null,
            'parts' => $this->muscles($this->atlas()->parts()[$muscle->id] ?? []),
            'fibres' => $reference->fibres, 'nerve' => $reference->nerve, 'roots' => implode(', ', $reference->roots),
            'does' => array_map(fn (MovementUse $use): array => [...$this->movementLink($use), 'prime' => $use->prime], $muscle->actions),
            'also' => array_values(array_unique(array_map($this->directionWords(...), $reference->otherActions))),
            'lengthened_by' => array_map($this->movementLink(...), $muscle->lengthenedBy),
            'lengthening_note' => $reference->lengtheningNote,
            'covered_by' => $this->muscles($reference->coveredBy), 'antagonists' => $this->muscles($muscle->antagonists),
            'synergists' => $this->muscles($reference->synergists),
            'positions' => array_map(
                fn (string $id): array => $this->word(
                    $id === 'side_up' ? 'on the other side' : $this->atlas()->position($id)->name,
                    $this->atlas()->position($id === 'side_up' ? 'side_left' : $id)->setup,
                ),
                $muscle->positions,
            ),
            'techniques' => array_map(
                fn (string $id): array => $this->link('technique', $id, $this->atlas()->technique($id)->name), $muscle->techniques,
            ),
            'tools' => array_map(
                fn (string $id): array => $this->word($this->atlas()->tool($id)->name, $this->atlas()->tool($id)->hand), $muscle->tools,
            ),
            'sites' => $this->sites($muscle), 'client_action' => $muscle->clientAction?->words,
            'consent' => $muscle->consent === null ? null : $this->atlas()->consentAreas[$muscle->consent]->words ?? null,
            'shortened_by' => $this->demands($reference->shortenedBy), 'tired_by' => $this->demands($reference->tiredBy),
            'complaints' => $reference->complaints,
            'hazards' => array_map(fn (string $id): array => $this->hazard($this->atlas()->handbook()->hazard($id)), $muscle->hazards),
            'beware' => $muscle->beware,
            'self_care' => array_map($this->selfCare(...), $reference->selfCare), 'no_self_care' => $reference->noSelfCare,
            'source' => $reference->source,
        ];
    }

    /** @return array<string, mixed> */
    private function movement(Movement $movement): array
    {
        $users = $lengthened = [];
        foreach ($this->atlas()->muscles as $muscle) {
            foreach ($muscle->actions as $use) {
                if ($use->movement === $movement->id) {
                    $users[] = [
                        ...$this->link('muscle', $muscle->id, $muscle->name), 'prime' => $use->prime,
                        'side' => $this->sideWords($use, 'its own'),
                    ];
                }
            }
            foreach ($muscle->lengthenedBy as $use) {
                if ($use->movement === $movement->id) {
                    $lengthened[] = [...$this->link('muscle', $muscle->id, $muscle->name), 'side' => $this->sideWords($use, 'its own')];
                }
            }
        }
        $unit = self::UNITS[$movement->unit] ?? '';

        return [
            'steps' => $movement->steps, 'position' => $this->placed($movement->position), 'paired' => $movement->paired,
            'norm' => $this->figure($movement->norm, $unit), 'error' => $this->figure($movement->measurementError, $unit),
            'possible' => $this->figure($movement->min, '').' to '.$this->figure($movement->max, $unit),
            'larger' => $movement->largerIsBetter, 'done_by' => $users, 'lengthens' => $lengthened, 'source' => $movement->source,
        ];
    }

    /** @return array<string, mixed> */
    private function test(Test $test): array
    {
        return [
            'steps' => $test->steps, 'position' => $this->placed($test->position), 'usual' => $test->usual, 'means' => $test->means,
            'never_when' => $test->neverWhen,
            'error' => $test->measurementError === null ? null : $this->figure($test->measurementError, self::UNITS[$test->result] ?? ''),
            'paired' => $test->paired, 'source' => $test->source,
        ];
    }

    /** @return array<string, mixed> */
    private function technique(Technique $technique): array
    {
        $conditions = $this->clinic->rules()->conditions;
        $flags = $this->clinic->rules()->flags->flags;

        return [
            'what' => $technique->what, 'steps' => $technique->steps, 'dose' => $technique->doseWords(), 'stages' => $technique->stages,
            'on_stretch' => $technique->onStretch,
            'not_with' => array_map(static fn (NotWith $not): string => $not->words(
                $not->flag === null
                    ? $conditions[(string) ($not->condition ?? $not->unsettled)]->label
                    : lcfirst(rtrim($flags[$not->flag]['ask'], '?')),
            ), $technique->notWith),
            'products' => array_map(
                fn (string $id): array => $this->word(
                    $this->atlas()->products[$id] ?? $id, $this->atlas()->handbook()->productUses[$id] ?? '',
                ),
                $technique->products,
            ),
            'tools' => array_map(
                fn (string $id): array => [
                    'id' => $id, 'name' => $this->atlas()->tool($id)->name, 'hand' => $this->atlas()->tool($id)->hand,
                    'load' => $this->atlas()->tool($id)->load,
                ],
                $technique->tools,
            ),
            'used_on' => $this->muscles(array_keys(array_filter(
                $this->atlas()->muscles, static fn (Muscle $muscle): bool => in_array($technique->id, $muscle->techniques, true),
            ))),
            'source' => $technique->source,
        ];
    }

    /** @return array{id: string, name: string, steps: list<string>, dose: string, how_often: string, not_with: list<string>} */
    private function selfCare(string $id): array
    {
        $one = $this->atlas()->handbook()->selfCareOf($id);
        $conditions = $this->clinic->rules()->conditions;

        return [
            'id' => $one->id, 'name' => $one->name, 'steps' => $one->steps, 'dose' => $one->dose, 'how_often' => $one->howOften,
            'not_with' => array_map(static fn (string $not): string => lcfirst($conditions[$not]->label), $one->notWith),
        ];
    }

    /** @return array<string, mixed> */
    private function landmark(Landmark $landmark): array
    {
        $here = static fn (Muscle $muscle): bool => in_array(
            $landmark->id, [...$muscle->reference()->upper->landmarks, ...$muscle->reference()->lower->landmarks], true,
        );
        $hazards = array_filter(
            $this->atlas()->handbook()->hazards, static fn (Hazard $hazard): bool => in_array($landmark->id, $hazard->landmarks, true),
        );

        return [
            'plain' => $landmark->plain, 'find' => $landmark->find, 'palpable' => $landmark->palpable, 'midline' => $landmark->midline,
            'zones' => $landmark->zones, 'under' => $this->zoneNames($landmark->zones),
            'attached' => $this->muscles(array_keys(array_filter($this->atlas()->muscles, $here))),
            'hazards' => array_values(array_map($this->hazard(...), $hazards)),
        ];
    }

    /** @return array{name: string, where: string, what: string, sign: string, safe_line: string, only: ?string} */
    private function hazard(Hazard $hazard): array
    {
        return [
            'name' => $hazard->name, 'where' => $hazard->where, 'what' => $hazard->what, 'sign' => $hazard->sign,
            'safe_line' => $hazard->safeLine, 'only' => $hazard->oneSided?->value,
        ];
    }

    /**
     * @return list<array{name: string, under: string, techniques: list<string>, tools: list<string>}> sites that are worked otherwise than
     * the belly
     */
    private function sites(Muscle $muscle): array
    {
        $sites = [];
        foreach ($muscle->sites as $site => $part) {
            if ($part->tools !== [] || $part->techniques !== []) {
                $sites[] = [
                    'name' => str_replace('_', ' ', $site), 'under' => $this->zoneNames($part->zones),
                    'techniques' => array_map(
                        fn (string $id): string => $this->atlas()->technique($id)->name, $muscle->techniquesAt($site),
                    ),
                    'tools' => array_map(fn (string $id): string => $this->atlas()->tool($id)->name, $muscle->toolsAt($site)),
                ];
            }
        }

        return $sites;
    }

    /** @return array{id: string, name: string, plain: string} a landmark that can be lit on the figure */
    private function point(string $id): array
    {
        $landmark = $this->atlas()->handbook()->landmark($id);

        return ['id' => $id, 'name' => $landmark->name, 'plain' => $landmark->plain];
    }

    /** @return array{kind: string, id: string, name: string, side: string} */
    private function movementLink(MovementUse $use): array
    {
        return [
            ...$this->link('movement', $use->movement, $this->atlas()->movement($use->movement)->name),
            'side' => $this->sideWords($use, 'the same'),
        ];
    }

    private function directionWords(DirectionUse $use): string
    {
        $side = $use->side === Relation::Opposite ? ' to the other side' : '';

        return $this->atlas()->handbook()->direction($use->direction)->name.$side;
    }

    /** Which side, where the movement has a direction to one: turning, bending sideways. */
    private function sideWords(MovementUse $use, string $same): string
    {
        $crosses = array_filter(
            $this->atlas()->movement($use->movement)->directions,
            fn (string $id): bool => $this->atlas()->handbook()->direction($id)->crosses,
        );

        return match (true) {
            $crosses === [] => '',
            $use->relation === Relation::Opposite => 'to the other side',
            default => "to $same side",
        };
    }

    private function placed(string $position): string
    {
        return $position === 'standing' ? 'standing' : $this->atlas()->position($position)->name;
    }

    private function figure(float $value, string $unit): string
    {
        return rtrim(rtrim(number_format($value, 1), '0'), '.').$unit;
    }

    /**
     * @param  list<string>  $zones
     */
    private function zoneNames(array $zones): string
    {
        return implode(', ', array_map(fn (string $zone): string => $this->atlas()->zone($zone)->name, $zones));
    }

    /**
     * @param  list<string>  $ids
     * @return list<array{name: string, says: string}>
     */
    private function demands(array $ids): array
    {
        return array_map(
            fn (string $id): array => $this->word($this->atlas()->demands[$id] ?? $id, $this->atlas()->handbook()->demandAsks[$id] ?? ''),
            $ids,
        );
    }

    /**
     * @param  list<int|string>  $ids
     * @return list<array{kind: string, id: string, name: string}>
     */
    private function muscles(array $ids): array
    {
        return array_map(
            fn (int|string $id): array => $this->link('muscle', (string) $id, $this->atlas()->muscle((string) $id)->name), $ids,
        );
    }

    /** @return array{name: string, says: string} */
    private function word(string $name, string $says): array
    {
        return ['name' => $name, 'says' => $says];
    }

    /** @return array{kind: string, id: string, name: string} */
    private function link(string $kind, string $id, string $name): array
    {
        return ['kind' => $kind, 'id' => $id, 'name' => $name];
    }

    private function atlas(): Atlas
    {
        return $this->clinic->atlas();
    }
}
