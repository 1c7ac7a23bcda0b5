<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Caution;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\Ceiling;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\Pass;

/** One step of a visit, in the order of the plan. What its kind knows nothing of is null or empty. */
final readonly class PlanStep
{
    public ?MuscleAt $at;

    public ?JointAt $joint;

    /** @var list<Place> */
    public array $places;

    public ?string $site;

    public ?string $technique;

    public ?string $tool;

    public ?string $product;

    public ?string $clientAction;

    /** @var list<Pass> */
    public array $passes;

    /** @var list<string> how to come to it, step by step, and what proves it */
    public array $find;

    public ?Ceiling $ceiling;

    public bool $otherSide;

    /** @var list<Manoeuvre> what the hands do, in order */
    public array $manoeuvres;

    /** The same in each round of one target. */
    public ?string $target;

    public ?int $round;

    /** The therapist's own, for the one who works. */
    public ?string $words;

    /**
     * @param  list<Caution>  $cautions
     * @param  array{kind: string, id: string, side: string, text: string}|null  $check  what a re-check measures
     * @param  string|null  $what  of a step of hygiene: wash, glove_on, glove_off_wash or wipe
     */
    private function __construct(
        public StepKind $kind,
        public float $minutes,
        public string $position,
        public string $label,
        public string $why = '',
        public array $cautions = [],
        private ?Contact $contact = null,
        private ?Turn $turn = null,
        public ?array $check = null,
        public ?string $what = null,
    ) {
        [$this->places, $this->passes] = [$contact->places ?? [], $contact->passes ?? []];
        [$this->technique, $this->tool] = [$contact?->technique, $contact?->tool];
        [$this->product, $this->clientAction] = [$contact?->product, $contact?->clientAction];
        $on = $turn?->on;
        $this->at = $on instanceof MuscleAt ? $on : null;
        $this->joint = $on instanceof JointAt ? $on : null;
        [$this->site, $this->find, $this->ceiling] = [$turn?->site, $turn->find ?? [], $turn?->ceiling];
        [$this->manoeuvres, $this->otherSide, $this->round] = [$turn->manoeuvres ?? [], $turn->isOtherSide ?? false, $turn?->round];
        $this->target = $this->round === null ? null : $on?->key();
        $this->words = $turn?->words;
    }

    /**
     * Without a hand on anybody: to settle, to turn, to rest, to get up.
     *
     * @param  list<Caution>  $cautions
     */
    public static function pause(
        StepKind $kind, float $minutes, string $position, string $label, string $why = '', array $cautions = [],
    ): self {
        return new self($kind, $minutes, $position, $label, $why, $cautions);
    }

    /**
     * A broad hand: to warm, to cool, to soothe, between deep work, to smooth over.
     *
     * @param  list<Caution>  $cautions
     */
    public static function stroke(
        StepKind $kind, float $minutes, string $position, Contact $contact, string $label, string $why, array $cautions = [],
    ): self {
        return new self($kind, $minutes, $position, $label, $why, $cautions, $contact);
    }

    /** @param  list<Place>  $places  where a finger may feel for it */
    public static function feel(float $minutes, string $position, array $places, Turn $turn, string $label, string $why): self
    {
        return new self(StepKind::Feel, $minutes, $position, $label, $why, [], new Contact($places), $turn);
    }

    /** @param  list<Caution>  $cautions */
    public static function treat(
        float $minutes, string $position, Contact $contact, Turn $turn, string $label, string $why, array $cautions,
    ): self {
        return new self(StepKind::Treat, $minutes, $position, $label, $why, $cautions, $contact, $turn);
    }

    /** @param  list<Place>  $places  that were worked */
    public static function recheck(
        float $minutes, string $position, Check $check, ?MuscleAt $at, array $places, string $label, string $why,
    ): self {
        return new self(
            StepKind::Recheck, $minutes, $position, $label, $why, [], new Contact($places), $at === null ? null : Turn::at($at),
            $check->toArray(),
        );
    }

    public static function hygiene(float $minutes, string $position, string $what, ?string $product, string $label, string $why): self
    {
        return new self(StepKind::Hygiene, $minutes, $position, $label, $why, [], new Contact([], product: $product), null, null, $what);
    }

    /** Longer or shorter, with the hand on it for the same share of the time. */
    public function lasting(float $minutes): self
    {
        return new self(
            $this->kind, $minutes, $this->position, $this->label, $this->why, $this->cautions,
            $this->contact?->times($minutes / $this->minutes), $this->turn, $this->check, $this->what,
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
            ...$this->words === null ? [] : ['words' => $this->words],
            ...$this->manoeuvres === [] ? [] : [
                'manoeuvres' => array_map(static fn (Manoeuvre $one): array => $one->toArray(), $this->manoeuvres),
            ],
        ];
    }
}
