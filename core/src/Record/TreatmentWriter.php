<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Treatment\AgreedStep;

/** What was agreed and what was done: by target, in the order of the table. */
final class TreatmentWriter
{
    private const NAMED = 4;

    /** @var array<string, true> techniques whose other word was given already */
    private array $glossed = [];

    public function __construct(private readonly Atlas $atlas, private readonly Terms $terms)
    {
    }

    /** @return list<Sentence> */
    public function agreed(VisitRecord $record): array
    {
        $yes = [];
        $no = [];
        foreach ($record->agreements as $one) {
            $area = $one->byGuardian ? "{$one->about}, guardian" : (
                $this->atlas->consentAreas[$one->about]->name ?? str_replace('_', ' ', $one->about)
            );
            if ($one->given) {
                $yes[] = $area.($one->but === null || trim($one->but) === '' ? '' : " (but {$one->but})");
            } else {
                $no[] = $area;
            }
        }
        $said = implode(' ', array_map(Prose::sentence(...), array_filter([
            $yes === [] ? '' : 'Agreed to: '.Prose::list($yes), $no === [] ? '' : 'Not agreed to: '.Prose::list($no),
        ])));

        return array_values(array_filter([
            $said === '' ? null : new Sentence('agreed.areas', Part::Agreed, $said, [new Source('agree', 'Consent')]),
            $this->plan($record->agreed),
        ]));
    }

    /** @param  list<AgreedStep>  $steps */
    private function plan(array $steps): ?Sentence
    {
        $work = [];
        $again = [];
        foreach ($steps as $step) {
            if ($step->kind === StepKind::Treat) {
                $work[Prose::sideFirst($step->label)] = true;
            } elseif ($step->check !== null) {
                $again[$step->check] = true;
            }
        }

        return $work === [] ? null : new Sentence(
            'agreed.plan', Part::Agreed, Prose::sentence(
                'Plan: '.Prose::list(array_keys($work)).($again === [] ? '' : '. To be measured again: '.Prose::list(array_keys($again))),
            ), [new Source('plan', 'The plan')],
        );
    }

    /** @return list<Sentence> */
    public function done(VisitRecord $record): array
    {
        $sentences = [];
        $position = null;
        foreach ($record->worked as $one) {
            $sentences[] = $this->worked($one, $one->position === $position ? null : $one->position);
            $position = $one->position ?? $position;
        }
        $passed = array_map(Prose::sideFirst(...), $record->passedOver);
        $stops = array_filter(array_map($this->reaction(...), $record->reactions));

        return [...$sentences, ...array_values(array_filter([
            $record->worked === [] ? new Sentence(
                'done.nothing', Part::Done, 'No hands-on work today.', [new Source('work', 'Treatment')],
            ) : null,
            $passed === [] || $record->worked === [] ? null : new Sentence(
                'done.passed_over', Part::Done, Prose::sentence(
                    'Planned and not worked: '.Prose::list($passed),
                ), [new Source('work', 'Treatment')],
            ),
            $stops === [] ? null : new Sentence(
                'done.reactions', Part::Done, Prose::sentence(
                    'Signs during the work: '.implode('; ', $stops),
                ), [new Source('work', 'Signs')],
            ),
            $record->isStopped
                ? new Sentence(
                    'done.stopped', Part::Done, 'The treatment was broken off before its end.', [new Source('work', 'Treatment')],
                )
                : null,
        ]))];
    }

    private function worked(Worked $one, ?string $position): Sentence
    {
        $lying = $position === null ? '' : ucfirst($this->atlas->position($position)->name).'. ';
        $time = $one->seconds > 0 ? Prose::minutes($one->seconds) : '';
        $text = match ($one->kind) {
            'warm_up' => Prose::sentence(implode(', ', array_filter(['warmed up'.$this->over($one), $time]))),
            'cold' => $lying.Prose::sentence(implode(', ', array_filter(['cooled'.$this->over($one), $time]))),
            'soothe' => $lying.Prose::sentence(
                implode(', ', array_filter(['light broad strokes over the sore place'.$this->over($one, ': '), $time])),
            ),
            'finish' => Prose::sentence(implode(', ', array_filter(['smoothed over at the end', $time]))),
            default => $lying.Prose::sentence($this->target($one).': '.implode('; ', $this->details($one, $time))),
        };

        return new Sentence("done.{$one->key}", Part::Done, $text, [new Source('work', $this->name($one))]);
    }

    private function over(Worked $one, string $before = ': '): string
    {
        return $one->places === [] ? '' : $before.$this->terms->areas($one->places);
    }

    private function name(Worked $one): string
    {
        return match (true) {
            $one->kind === 'warm_up' => 'Warm-up', $one->kind === 'finish' => 'Finish',
            $one->muscle !== null => ucfirst($this->terms->muscleOn($one->muscle, $one->side)),
            default => ucfirst($one->name),
        };
    }

    private function target(Worked $one): string
    {
        return $one->muscle === null
            ? Prose::sideFirst($this->sided($one))
            : $this->terms->muscleOn($one->muscle, $one->side, true);
    }

    private function sided(Worked $one): string
    {
        $name = Prose::within($one->name);

        return $one->side === Side::Midline || str_contains($name, ", {$one->side->value}") ? $name : "$name, {$one->side->value}";
    }

    /** @return list<string> */
    private function details(Worked $one, string $time): array
    {
        $tools = array_map($this->terms->tool(...), array_slice($one->tools, 0, 2));
        $spots = count($one->spots).(count($one->spots) === 1 ? ' spot' : ' spots')
            .(count($one->spots) > self::NAMED ? '' : ' ('.implode('; ', $one->spots).')');
        $least = $one->leastPressure > 0 ? $one->leastPressure : $one->mostPressure;
        $pressure = match (true) {
            $one->mostPressure <= 0 => '',
            $least < $one->mostPressure => 'pressure '.Prose::figure($least).' to '.Prose::figure($one->mostPressure).' of 10',
            default => 'pressure '.Prose::figure($one->mostPressure).' of 10',
        };
        $numbers = array_map(Prose::figure(...), array_values(array_unique($one->numbers)));

        return array_values(array_filter([
            Prose::list(array_map($this->technique(...), array_slice($one->techniques, 0, 3)))
                .($tools === [] ? '' : ($one->techniques === [] ? '' : ', ').'with '.Prose::list($tools))
                .($one->spots === [] ? '' : ", $spots"),
            $pressure, $time, $numbers === [] ? '' : 'the client said '.Prose::list($numbers).' of 10',
            Prose::list(array_map($this->terms->sign(...), $one->signs)),
            $one->isStopped ? 'stopped' : '',
        ]));
    }

    /** The other word is given once, where it is first said. */
    private function technique(string $id): string
    {
        $isNew = ! isset($this->glossed[$id]);
        $this->glossed[$id] = true;

        return $this->terms->technique($id, $isNew);
    }

    private function reaction(Reaction $one): string
    {
        $goesOn = array_column($this->atlas->stopSigns, 'goes_on', 'id')[$one->sign] ?? true;
        if ($one->isSlip || $goesOn) {
            return '';
        }

        return $this->terms->sign($one->sign).($one->clock === '' ? '' : " at {$one->clock}")
            .($one->muscle === null ? '' : ', on the '.$this->terms->muscleOn($one->muscle, $one->side ?? Side::Midline));
    }
}
