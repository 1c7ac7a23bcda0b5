<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;

/** Puts the whole pattern into one sentence and one chain, or says what is missing for it. */
final readonly class WholeChain
{
    /** So many signs are told as not enough; fewer are chance and not worth a line. */
    private const WORTH_SAYING = 2;

    private const MOST_MUSCLES = 3;

    private const MOST_ASKED = 4;

    /** Kinds of evidence that are of the muscle itself. */
    private const OF_TISSUE = ['palpation', 'shortness', 'posture'];

    public function __construct(private Atlas $atlas, private WholePattern $whole)
    {
    }

    /** @param  array<string, Candidate>  $candidates  by muscle and side */
    public function of(CaseFile $case, array $candidates): ?Chain
    {
        $reading = $this->whole->read($case);
        $busy = $reading->leans;
        if ($busy === null || count($reading->for) < self::WORTH_SAYING) {
            return null;
        }
        $words = static fn (WholeSign $sign): string => ucfirst($sign->words($busy));
        $asked = array_map(static fn (WholeSign $sign): string => $sign->measure, array_slice($reading->open, 0, self::MOST_ASKED));
        $for = array_map($words, $reading->for);
        $against = array_map(static fn (WholeSign $sign): string => ucfirst($sign->words($busy->mirrored())), $reading->against);
        if (! $reading->isEnough) {
            $count = count($for) - count($against);

            return $count < self::WORTH_SAYING ? null : new Chain(
                'whole_open',
                "Not enough for a pattern of the whole body: $count signs more for the {$busy->value} than for the {$busy->mirrored()->value}, "
                    .($count < $this->whole->least ? "and {$this->whole->least} are needed." : 'and much else is level.'),
                $for, [], [], [], $against, $asked,
            );
        }
        $front = $this->strongest($this->whole->front, $busy, $candidates);
        $behind = $this->strongest($this->whole->behind, $busy->mirrored(), $candidates);
        $hurts = array_filter($case->findings->complaints, static fn (Complaint $one): bool => $one->hurts());

        return new Chain(
            'whole', $this->sentence($busy, $reading->for), $for, [...$front, ...$behind], array_map($this->placeOf(...), $front),
            $hurts === [] ? array_map($this->placeOf(...), $behind) : array_values(array_map(
                static fn (Complaint $one): Place => $one->place(), $hurts,
            )),
            $against, $asked,
            // what the days ask is no measure of the body
            array_values(array_unique(array_map(
                static fn (WholeSign $sign): string => $sign->measure,
                array_filter($reading->for, static fn (WholeSign $sign): bool => ! $sign->demands),
            ))),
        );
    }

    /** @param  list<WholeSign>  $for */
    private function sentence(Side $busy, array $for): string
    {
        $jaw = array_filter($for, static fn (WholeSign $sign): bool => $sign->jaw) !== [];

        return "The {$busy->value} side works and shortens in front; the {$busy->mirrored()->value} gives way behind"
            .($jaw ? "; the jaw follows to the {$busy->mirrored()->value}." : '.');
    }

    /**
     * @param  list<string>  $muscles
     * @param  array<string, Candidate>  $candidates
     * @return list<MuscleAt> those that most was found of, in their order in the data among equals
     */
    private function strongest(array $muscles, Side $side, array $candidates): array
    {
        $found = [];
        foreach ($muscles as $muscle) {
            $candidate = $candidates["$muscle:{$side->value}"] ?? null;
            if ($candidate !== null) { // told apart into its parts
                $found[] = [$candidate->at, $candidate->sum(...self::OF_TISSUE)];
            }
        }
        usort($found, static fn (array $a, array $b): int => round($b[1], 9) <=> round($a[1], 9));

        return array_column(array_slice($found, 0, self::MOST_MUSCLES), 0);
    }

    private function placeOf(MuscleAt $at): Place
    {
        return $this->atlas->placeOn($this->atlas->muscle($at->muscle)->zones[0] ?? '', $at->side);
    }
}
