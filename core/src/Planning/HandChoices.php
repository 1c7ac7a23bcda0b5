<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Spot;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ChosenTarget;
use Somatrace\Core\Handwork\Composer;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\ToolChooser;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/**
 * What can be set by hand on a target of a plan, and what was set and could not be kept: what is not allowed is shown too, with the reason.
 *
 * @phpstan-type Choice array{id: string, because: string|null}
 * @phpstan-type Lying array{id: string, side: string, because: string|null}
 * @phpstan-type Choices array{sizes: array<string, float>, positions: list<Choice>, tools: list<Choice>, techniques: list<Choice>,
 *     setups: list<Lying>, sites: list<Choice>, spots: list<array{id: string, name: string, because: string|null}>, ceiling: float|null}
 */
final readonly class HandChoices
{
    public function __construct(
        private Atlas $atlas,
        private CaseFile $case,
        private TouchGate $gate,
        private ToolChooser $tools,
        private Composer $composer,
    ) {
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
            'techniques' => $this->techniques($chosen, $main), 'setups' => $this->setups($chosen, $main),
            'sites' => $this->sites($chosen, $main), 'spots' => $this->spots($chosen, $main),
            'ceiling' => $ceilings === [] ? null : max($ceilings),
        ];
    }

    /**
     * @param  Choices  $choices  of it
     * @return list<string> what was set by hand and is not done so, each in a sentence
     */
    public function refused(Chosen $chosen, ?ChosenTarget $byHand, array $choices): array
    {
        $work = $chosen->target->work;
        if ($byHand === null || $work === null) {
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
        $done = array_map(static fn (Manoeuvre $one): string => $one->technique, $chosen->composition->manoeuvres);
        foreach (array_diff([...array_filter([$byHand->technique]), ...$byHand->added], $done) as $technique) {
            $why = $this->composer->whyNot($work, $chosen->option->position, $technique) ?? 'no time for it.';
            $refused[] = "No {$this->words($technique)}: ".lcfirst($why);
        }
        $lies = array_map(static fn (Manoeuvre $one): ?string => $one->setup['id'] ?? null, $chosen->composition->manoeuvres);
        if ($byHand->setup !== null && ! in_array($byHand->setup['id'], $lies, true)) {
            $lying = $this->atlas->handwork()->setup($byHand->setup['id']);
            $refused[] = "Not with $lying->name: ".$this->why($choices['setups'], $lying->id);
        }
        $sites = array_map(static fn (Manoeuvre $one): ?string => $one->site, $chosen->composition->manoeuvres);
        if ($byHand->site !== null && ! in_array($byHand->site, $sites, true)) {
            $refused[] = 'Not there: '.$this->why($choices['sites'], $byHand->site);
        }
        $spots = array_merge(...array_map(static fn (Manoeuvre $one): array => $one->spots, $chosen->composition->manoeuvres));
        if ($byHand->spots !== [] && array_diff($byHand->spots, $spots) !== []) {
            $why = $spots === [] ? 'nothing is held on a spot.' : 'not allowed there, or no time for so many.';
            $refused[] = "Not every spot that was chosen: $why";
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

    private function words(string $technique): string
    {
        return lcfirst($this->atlas->technique($technique)->name);
    }

    /** @return list<Choice> what the work on it could be made of, also besides what it is */
    private function techniques(Chosen $chosen, Manoeuvre $main): array
    {
        $work = $chosen->target->work;
        $all = [];
        if ($work === null) {
            return [];
        }
        foreach (array_unique([$main->technique, ...$this->composer->offered($work, $chosen->option->position)]) as $technique) {
            $all[] = ['id' => $technique, 'because' => $technique === $main->technique
                ? null
                : $this->composer->whyNot($work, $chosen->option->position, $technique)];
        }

        return $all;
    }

    /** @return list<Lying> */
    private function setups(Chosen $chosen, Manoeuvre $main): array
    {
        $work = $chosen->target->work;
        $all = [];
        foreach ($work === null ? [] : $this->composer->setups($work, $chosen->option->position) as $setup) {
            $limit = $this->gate->forbidding($this->proposed($chosen, $main, setup: $setup['id']));
            $all[] = ['id' => $setup['id'], 'side' => $setup['side']->value, 'because' => $limit?->reasons[0] ?? null];
        }

        return $all;
    }

    /** @return list<Choice> */
    private function sites(Chosen $chosen, Manoeuvre $main): array
    {
        $work = $chosen->target->work;
        if ($work === null) {
            return [];
        }
        $all = [];
        foreach (array_unique([...array_filter([$main->site]), ...$work->sites, ...array_keys($work->muscle->sites)]) as $site) {
            $limit = $site === $main->site ? null : $this->gate->forbidding($this->proposed($chosen, $main, site: $site));
            $all[] = ['id' => $site, 'because' => $limit?->reasons[0] ?? null];
        }

        return $all;
    }

    /** @return list<array{id: string, name: string, because: string|null}> of what is held spot by spot; none of a stroke */
    private function spots(Chosen $chosen, Manoeuvre $main): array
    {
        $work = $chosen->target->work;
        if ($work === null || $main->spots === []) {
            return [];
        }

        return array_map(fn (Spot $spot): array => [
            'id' => $spot->id, 'name' => $spot->name,
            'because' => in_array($spot->id, $main->spots, true)
                ? null
                : $this->gate->forbidding($this->proposed($chosen, $main, site: $spot->site))?->reasons[0] ?? null,
        ], array_values($this->atlas->handwork()->spotsOf($work->at->muscle)->spots));
    }

    /** The same work elsewhere, or lying otherwise. */
    private function proposed(Chosen $chosen, Manoeuvre $main, ?string $site = null, ?string $setup = null): ProposedWork
    {
        $work = $chosen->target->work;
        $places = $work === null || $site === null ? $chosen->option->places : array_map(
            static fn (string $zone): Place => new Place($zone, $work->at->side), $work->muscle->zonesOf($site),
        );

        return new ProposedWork(
            $places, $main->technique, $main->tool, $chosen->option->position, $main->product, $work?->at, $site ?? $main->site,
            $setup ?? $main->setup['id'] ?? null,
        );
    }

    /** What the minutes are there for; the longest that presses where that is a joint, or was done before. */
    private function main(Chosen $chosen): Manoeuvre
    {
        $work = $chosen->target->work;
        $all = $chosen->composition->manoeuvres;
        foreach ($all as $one) {
            if ($work !== null && $this->composer->isMain($work, $one)) {
                return $one;
            }
        }
        $pressing = array_values(array_filter($all, static fn (Manoeuvre $one): bool => $one->pressure !== null)) ?: $all;
        usort($pressing, static fn (Manoeuvre $a, Manoeuvre $b): int => $b->totalSeconds() <=> $a->totalSeconds());

        return $pressing[0];
    }
}
