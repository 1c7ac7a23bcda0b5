<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\JointWork;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** What the hands do to a stiff joint in a position: short, usual and long. */
final readonly class JointComposer
{
    public function __construct(
        private Atlas $atlas,
        private Recipes $recipes,
        private PlanFigures $figures,
        private CaseFile $case,
        private TouchGate $gate,
        private ToolChooser $tools,
    ) {
    }

    /** @return non-empty-array<string, Composition>|Reason by size, each longer than the one before; or why there is none */
    public function compose(JointAt $at, string $position): array|Reason
    {
        $why = null;
        $works = [];
        foreach ($at->joint->works as $work) {
            if (! $work->suits($at->level) || ! in_array($position, $at->side->positions($work->positions), true)) {
                continue;
            }
            $try = $this->manoeuvre($at, $work, $position);
            if ($try instanceof Manoeuvre) {
                $works[] = $try;
            } else {
                $why ??= $try;
            }
        }
        if ($works === []) {
            return $why ?? Reason::of(ReasonKind::Position, 'Cannot be reached in the positions that are possible today.');
        }
        $made = [];
        foreach (Size::cases() as $size) {
            $count = (int) floor(1 + $this->recipes->share($size) * (count($works) - 1) + 0.5);
            $composition = new Composition($size, [$works[0], ...array_slice($works, 1, $count - 1)], $this->recipes->overhead);
            $last = $made === [] ? null : $made[array_key_last($made)];
            if ($last === null || $composition->seconds() > $last->seconds() + 1e-9) {
                $made[$size->value] = $composition;
            }
        }

        return $made;
    }

    /** @return list<Place> where the hands lie, as far as they come to it in that position */
    public function places(JointAt $at, string $position): array
    {
        $own = array_merge([], ...array_map(static fn (JointWork $one): array => $one->zones, array_filter(
            $at->joint->works,
            static fn (JointWork $one): bool => $one->suits($at->level) && in_array($position, $at->side->positions($one->positions), true),
        )));
        $places = array_map(
            fn (string $zone): Place => $this->atlas->placeOn($zone, $at->side),
            $own === [] ? $at->joint->zones : array_values(array_unique($own)),
        );
        $reached = array_values(array_filter($places, fn (Place $place): bool => in_array(
            $this->atlas->zone($place->zone)->surface, $this->atlas->position($position)->reaches, true,
        )));

        return $reached === [] ? $places : $reached;
    }

    private function manoeuvre(JointAt $at, JointWork $work, string $position): Manoeuvre|Reason
    {
        $technique = $this->atlas->technique($work->technique);
        if ($this->case->therapist->isOff($technique->id)) {
            return Reason::of(ReasonKind::Training, "{$technique->name}: not within this therapist's scope.");
        }
        if ($work->notWithSign !== null && $this->recipes->sign($work->notWithSign)->holds($this->case, $this->atlas, $at->side)) {
            return Reason::of(ReasonKind::Limit, "Not with {$this->recipes->sign($work->notWithSign)->words}.");
        }
        if (! $this->tools->has($work->tool)) {
            return Reason::of(ReasonKind::Tool, 'No tool gives what it needs within the limits.');
        }
        $dry = $this->figures->usual->noProduct;
        $proposed = new ProposedWork($this->places($at, $position), $work->technique, $work->tool, $position, $dry);
        $forbidden = $this->gate->forbidding($proposed);
        if ($forbidden !== null) {
            return Reason::forbiddenBy($forbidden);
        }
        $limit = $this->gate->pressureCap($proposed);
        $ceiling = $work->pressure === null ? null : Ceiling::lowestOf(
            new Cap($work->pressure, 'joint', 'Joints are moved small and slow.'),
            ...($limit === null ? [] : [new Cap((float) $limit->value, 'safety', $limit->because())]),
            ...($this->case->client->stoic ? [new Cap(max(1, $work->pressure - 1), 'stoic', 'A stoic client under-reports.')] : []),
        );
        if ($ceiling !== null && $ceiling->felt < 1) {
            return Reason::of(ReasonKind::Ceiling, 'What may be felt there today is less than it needs.');
        }

        return new Manoeuvre(
            'joint', $work->technique, $work->do, $work->spots,
            array_map(static fn (string $spot): string => str_replace('_', ' ', $spot), $work->spots),
            null, null, $work->tool, $work->hand, $work->otherHand, null, $work->toward, $dry, $work->say,
            $technique->kind === 'client_moves' ? $work->say : null, $work->repeats, $work->seconds, $ceiling,
            $ceiling === null ? null : floor(2 * min($ceiling->felt, $this->figures->firstPass)) / 2, $work->leave, $technique->ends, null,
            'It was found stiff: small and slow, then measured again.',
        );
    }
}
