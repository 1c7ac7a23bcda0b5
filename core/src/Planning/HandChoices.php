<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ChosenTarget;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\ToolChooser;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/**
 * What can be set by hand on a target of a plan, and what was set and could not be kept: what is not allowed is shown too, with the reason.
 *
 * @phpstan-type Choice array{id: string, because: string|null}
 * @phpstan-type Choices array{sizes: array<string, float>, positions: list<Choice>, tools: list<Choice>, ceiling: float|null}
 */
final readonly class HandChoices
{
    public function __construct(private Atlas $atlas, private CaseFile $case, private TouchGate $gate, private ToolChooser $tools)
    {
    }

    /**
     * @return Choices minutes by size; of positions and tools why not, null where it may be; how strong it may feel at most
     */
    public function of(Chosen $chosen): array
    {
        $main = $this->main($chosen);
        $ceilings = array_filter(array_map(
            static fn (Manoeuvre $one): ?float => $one->ceiling?->without('by_hand'), $chosen->composition->manoeuvres,
        ));

        return [
            'sizes' => $chosen->option->offered,
            'positions' => $this->positions($chosen), 'tools' => $this->tools($chosen, $main),
            'ceiling' => $ceilings === [] ? null : max($ceilings),
        ];
    }

    /**
     * @param  Choices  $choices  of it
     * @return list<string> what was set by hand and is not done so, each in a sentence
     */
    public function refused(Chosen $chosen, ?ChosenTarget $byHand, array $choices): array
    {
        if ($byHand === null) {
            return [];
        }
        $refused = [];
        if ($byHand->size !== null && $byHand->size !== $chosen->composition->size->value) {
            $refused[] = "Not done $byHand->size: there is not so much to do there, or not the minutes for it.";
        }
        if ($byHand->position !== null && $byHand->position !== $chosen->option->position) {
            $refused[] = "Not {$this->atlas->position($byHand->position)->name}: ".$this->why($choices['positions'], $byHand->position);
        }
        $used = array_map(static fn (Manoeuvre $one): string => $one->tool, $chosen->composition->manoeuvres);
        if ($byHand->tool !== null && ! in_array($byHand->tool, $used, true)) {
            $refused[] = "Not with {$this->atlas->tool($byHand->tool)->name}: ".$this->why($choices['tools'], $byHand->tool);
        }
        if ($byHand->otherSide === true && $chosen->otherSide === null) {
            $refused[] = 'Not the other side: it is a target of its own, or it may not be worked like this.';
        }

        return $refused;
    }

    /** @param  list<Choice>  $offered */
    private function why(array $offered, string $id): string
    {
        foreach ($offered as $one) {
            if ($one['id'] === $id && $one['because'] !== null) {
                return lcfirst($one['because']);
            }
        }

        return 'not within the limits, or not where it is worked.';
    }

    /** @return list<Choice> */
    private function positions(Chosen $chosen): array
    {
        $work = $chosen->target->work;
        $possible = $this->case->session->positionsPossible;
        $all = [];
        $reached = $work === null ? [] : $work->muscle->positionsFor($work->at->side);
        foreach (array_unique([$chosen->option->position, ...$reached]) as $position) {
            $limit = $this->gate->forbidding(new ProposedWork([], null, null, $position));
            $all[] = ['id' => $position, 'because' => match (true) {
                $position === $chosen->option->position => null,
                $possible !== [] && ! in_array($position, $possible, true) => 'Not possible for this client today.',
                default => $limit?->reasons[0] ?? null,
            }];
        }

        return $all;
    }

    /** @return list<Choice> */
    private function tools(Chosen $chosen, Manoeuvre $main): array
    {
        $work = $chosen->target->work;
        $technique = $this->atlas->technique($main->technique);
        $suited = $work === null ? [] : $work->muscle->toolsAt($main->site);
        $own = $technique->tools === [] ? $suited : $technique->tools;
        $proposed = new ProposedWork(
            $chosen->option->places, $main->technique, null, $chosen->option->position, $main->product, $work?->at, $main->site,
            $main->setup['id'] ?? null,
        );
        $all = [];
        foreach (array_unique([$main->tool, ...$own]) as $tool) {
            $all[] = ['id' => $tool, 'because' => match (true) {
                $tool === $main->tool => null,
                ! $this->tools->has($tool) => 'Not owned, or spared.',
                default => $this->gate->forbiddingTool($proposed->with($tool))?->reasons[0] ?? null,
            }];
        }

        return $all;
    }

    /** What the minutes are there for: the longest that presses. */
    private function main(Chosen $chosen): Manoeuvre
    {
        $all = $chosen->composition->manoeuvres;
        $pressing = array_values(array_filter($all, static fn (Manoeuvre $one): bool => $one->pressure !== null)) ?: $all;
        usort($pressing, static fn (Manoeuvre $a, Manoeuvre $b): int => $b->totalSeconds() <=> $a->totalSeconds());

        return $pressing[0];
    }
}
