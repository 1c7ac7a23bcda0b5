<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Caution;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\Ceiling;
use Somatrace\Core\Handwork\JointAt;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\Pass;

/** One step of a visit, in the order of the plan. */
final readonly class PlanStep
{
    /**
     * @param  list<Place>  $places
     * @param  list<Pass>  $passes
     * @param  list<string>  $find  how to come to it, step by step, and what proves it
     * @param  list<Caution>  $cautions
     * @param  array{kind: string, id: string, side: string, text: string}|null  $check  what a re-check measures
     * @param  list<Manoeuvre>  $manoeuvres  what the hands do, in order
     * @param  string|null  $target  the same in each round of one target
     * @param  string|null  $what  of a step of hygiene: wash, glove_on, glove_off_wash or wipe
     */
    public function __construct(
        public StepKind $kind,
        public float $minutes,
        public string $position,
        public ?MuscleAt $at = null,
        public array $places = [],
        public ?string $site = null,
        public ?string $technique = null,
        public ?string $tool = null,
        public ?string $product = null,
        public ?string $clientAction = null,
        public array $passes = [],
        public array $find = [],
        public array $cautions = [],
        public string $why = '',
        public ?Ceiling $ceiling = null,
        public ?array $check = null,
        public bool $otherSide = false,
        public string $label = '',
        public ?string $what = null,
        public array $manoeuvres = [],
        public ?string $target = null,
        public ?int $round = null,
        public ?JointAt $joint = null,
    ) {
    }

    /** Longer or shorter, with the hand on it for the same share of the time. */
    public function lasting(float $minutes): self
    {
        $passes = array_map(fn (Pass $one): Pass => $one->times($minutes / $this->minutes), $this->passes);

        return new self(
            $this->kind, $minutes, $this->position, $this->at, $this->places, $this->site, $this->technique, $this->tool, $this->product,
            $this->clientAction, $passes, $this->find, $this->cautions, $this->why, $this->ceiling, $this->check, $this->otherSide,
            $this->label, $this->what, $this->manoeuvres, $this->target, $this->round, $this->joint,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(int $index): array
    {
        return [
            'id' => sprintf('s%02d', $index + 1),
            'kind' => $this->kind->value, 'label' => $this->label, 'minutes' => round($this->minutes, 3), 'position' => $this->position,
            'muscle' => $this->at?->muscle, 'side' => ($this->joint ?? $this->at)?->side->value, 'site' => $this->site,
            'zones' => array_values(array_unique(array_map(static fn (Place $place): string => $place->zone, $this->places))),
            'places' => array_map(
                static fn (Place $place): array => ['zone' => $place->zone, 'side' => $place->side->value], $this->places,
            ),
            'technique' => $this->technique, 'tool' => $this->tool, 'product' => $this->product, 'client_action' => $this->clientAction,
            'passes' => array_map(static fn (Pass $pass): array => $pass->toArray(), $this->passes),
            'find' => $this->find, 'cautions' => array_map(static fn (Caution $one): array => $one->toArray(), $this->cautions),
            'why' => $this->why,
            'ceiling' => $this->ceiling === null ? null : [
                'felt' => $this->ceiling->felt, 'because' => $this->ceiling->because(),
                'caps' => array_map(
                    static fn (Cap $cap): array => ['felt' => $cap->felt, 'id' => $cap->id, 'reason' => $cap->reason], $this->ceiling->caps,
                ),
            ],
            'check' => $this->check, 'other_side' => $this->otherSide, ...$this->what === null ? [] : ['what' => $this->what],
            ...$this->joint === null ? [] : ['joint' => $this->joint->toArray()],
            ...$this->round === null ? [] : ['target' => $this->target, 'round' => $this->round],
            ...$this->manoeuvres === [] ? [] : [
                'manoeuvres' => array_map(static fn (Manoeuvre $one): array => $one->toArray(), $this->manoeuvres),
            ],
        ];
    }
}
