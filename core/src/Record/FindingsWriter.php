<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\PostureFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Findings\AnsweredSet;
use Somatrace\Core\Measures\Compared;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\TriggerPoint;

/** What was seen, moved and felt: what deviates in a sentence each, worst first; what is as usual by name, in one line. */
final readonly class FindingsWriter
{
    /** Ends of a movement that say something by themselves. */
    private const TELLING_ENDS = ['hard', 'springy', 'guarded', 'empty'];

    /** Of a grade of tenderness, of a step of pain: what brings each onto one scale of 0 to about 6. */
    private const FAMILIAR = 2.0;

    private const PAIN = 0.4;

    /** Tests that speak together say more than each of them. */
    private const SET_WEIGHT = 3.0;

    public function __construct(private Atlas $atlas, private Terms $terms)
    {
    }

    /**
     * @param  list<Comparison>  $compared  today's measures beside the usual, the other side and before
     * @return list<Sentence>
     */
    public function of(CaseFile $case, array $compared, PatternResult $pattern): array
    {
        $beside = [];
        foreach ($compared as $one) {
            $beside[$one->measure->key.'|'.$one->measure->side->value] = $one;
        }
        $seen = $this->postures($case->findings->posture);
        $moved = [
            ...$this->ranges($case->findings->range, $beside), ...$this->resisted($case->findings->resisted),
            ...$this->tests($case->findings->tests, $beside),
        ];
        $felt = $this->palpation($case->findings->palpation, $beside, $pattern);
        $groups = array_values(array_filter([$seen, $moved, $felt], static fn (array $group): bool => $group !== []));
        usort($groups, static fn (array $a, array $b): int => self::worst($b) <=> self::worst($a));
        $sentences = [];
        foreach ($groups as $group) {
            usort($group, static fn (Found $a, Found $b): int => [$b->weight, $a->sentence->id] <=> [$a->weight, $b->sentence->id]);
            array_push($sentences, ...array_map(static fn (Found $one): Sentence => $one->sentence, $group));
        }

        return $sentences;
    }

    /** @param  list<Found>  $group */
    private static function worst(array $group): float
    {
        return array_reduce($group, static fn (float $most, Found $one): float => max($most, $one->weight), 0.0);
    }

    /**
     * @param  list<PostureFinding>  $found
     * @return list<Found>
     */
    private function postures(array $found): array
    {
        $signs = [];
        $absent = [];
        $worst = 0;
        usort($found, static fn (PostureFinding $a, PostureFinding $b): int => $b->grade <=> $a->grade);
        foreach ($found as $one) {
            $words = $this->terms->posture($one->sign, $one->grade);
            $side = $one->side === Side::Midline ? '' : " on the {$one->side->value}";
            if ($words === null) {
                $absent[] = Prose::within($this->atlas->postureSigns[$one->sign]->name ?? '').$side;
            } else {
                $signs[] = $words.$side;
                $worst = max($worst, $one->grade);
            }
        }

        return $this->withRest($signs === [] ? [] : [new Found((float) $worst, new Sentence(
            'found.posture', Part::Found, 'Seen: '.implode('; ', $signs).'.', [new Source('move', 'Posture')],
        ))], 'found.posture', 'Looked for and not seen', $absent, 'move');
    }

    /**
     * @param  list<RangeFinding>  $found
     * @param  array<string, Comparison>  $beside
     * @return list<Found>
     */
    private function ranges(array $found, array $beside): array
    {
        $movements = [];
        foreach ($found as $one) {
            $movements[$one->movement][$one->side->value] = $one;
        }
        $deviating = [];
        $usual = [];
        foreach ($movements as $id => $sides) {
            ksort($sides);
            $told = $this->range((string) $id, $sides, $beside);
            if ($told === null) {
                $usual[] = Prose::within($this->atlas->movement((string) $id)->name);
            } else {
                $deviating[] = $told;
            }
        }

        return $this->withRest($deviating, 'found.range', 'Moved and as usual', $usual, 'move');
    }

    /**
     * @param  non-empty-array<string, RangeFinding>  $sides
     * @param  array<string, Comparison>  $beside
     */
    private function range(string $id, array $sides, array $beside): ?Found
    {
        $movement = $this->atlas->movement($id);
        // where nobody took the other, which of the two it was is said once
        $onlyPassive = array_filter($sides, static fn (RangeFinding $one): bool => $one->active !== null) === [];
        $values = [];
        $notes = [];
        $weight = 0.0;
        foreach ($sides as $side => $one) {
            $values[] = $this->values($one, $movement->unit, $onlyPassive);
            $differs = [];
            foreach (['active' => $one->active, 'passive' => $one->passive] as $kind => $measured) {
                $of = $measured === null ? null : $beside["range.$id.$kind|$side"] ?? null;
                if ($of === null) {
                    continue;
                }
                $usual = $of->withWhat('usual');
                $across = $of->withWhat('other_side');
                $isShort = $usual !== null && $usual->real && ! $usual->better;
                $weight += $isShort ? self::share($movement->shortfall($of->value, $movement->norm), $movement->norm) : 0.0;
                if ($across !== null && $across->real && ! $across->better) {
                    $weight += 1.0;
                    $differs[] = Prose::apart($across->difference, $movement->unit);
                }
                $notes[] = self::since($of, $one->side, $movement->unit, $kind === 'passive' && ! $onlyPassive);
                $weight += ($of->withWhat('last')->real ?? false) ? 0.5 : 0.0;
            }
            if ($differs !== []) {
                array_unshift(
                    $notes, "{$one->side->value} ".$differs[0].(
                        isset($differs[1]) ? " (passive {$differs[1]})" : ''
                    ).' short of '.$one->side->mirrored()->value,
                );
            }
            $notes[] = $this->pain($one->pain, $one->feltIn, $one->side);
            $telling = in_array($one->endFeel ?? '', self::TELLING_ENDS, true);
            $weight += ($one->pain ?? 0) * self::PAIN + ($telling ? 1.0 : 0.0);
            $notes[] = $telling ? $one->side->on("end $one->endFeel") : '';
        }
        if ($weight <= 0.0) {
            return null;
        }
        $values = array_filter($values);
        $usual = '(usual '.Prose::measured($movement->norm, $movement->unit).')';

        return new Found($weight, new Sentence(
            "found.range.$id", Part::Found,
            Prose::sentence($this->terms->movement($id).($onlyPassive ? ', passive' : '').': '.implode('; ', array_filter([
                $values === [] ? '' : implode(', ', $values)." $usual", ...array_unique($notes),
            ]))),
            [new Source('move', $movement->name)],
        ));
    }

    private function values(RangeFinding $one, string $unit, bool $onlyPassive): string
    {
        $both = $one->active !== null && $one->passive !== null;
        $said = implode(', ', array_filter([
            $one->active === null ? '' : Prose::measured($one->active, $unit).($both ? ' active' : ''),
            $one->passive === null ? '' : Prose::measured($one->passive, $unit).($onlyPassive ? '' : ' passive'),
        ]));

        return $said === '' ? '' : (
            $one->side === Side::Midline ? '' : "{$one->side->value} "
        ).$said.($one->simulated ? ' (simulated)' : '');
    }

    /** @param  list<Place>  $feltIn */
    private function pain(?float $pain, array $feltIn, Side $side): string
    {
        $felt = $feltIn === [] ? '' : 'felt in the '.$this->terms->places($feltIn);

        return implode(', ', array_filter([$pain === null || $pain <= 0 ? '' : $side->on('pain '.Prose::figure($pain).' of 10'), $felt]));
    }

    /** How it stands to last time, where there was one and it is more than error. */
    private static function since(Comparison $of, Side $side, string $unit, bool $passive): string
    {
        $last = $of->withWhat('last');

        return $last === null || ! $last->real
            ? ''
            : (
                $side === Side::Midline ? '' : "{$side->value} "
            ).($passive ? 'passive ' : '').self::difference($last, $unit).' than last time, '
                .($last->better ? 'better' : 'worse');
    }

    private static function difference(Compared $one, string $unit): string
    {
        return Prose::apart($one->difference, $unit).($one->difference > 0 ? ' more' : ' less');
    }

    /** What is lacking of the usual, 0 to about 4. */
    private static function share(float $short, float $norm): float
    {
        return $norm <= 0 ? 1.0 : 0.5 + min(3.5, max(0.0, $short) / $norm * 5);
    }

    /**
     * @param  list<ResistedFinding>  $found
     * @return list<Found>
     */
    private function resisted(array $found): array
    {
        $movements = [];
        foreach ($found as $one) {
            $movements[$one->movement][$one->side->value] = $one;
        }
        $deviating = [];
        $usual = [];
        foreach ($movements as $id => $sides) {
            ksort($sides);
            $weight = 0.0;
            $notes = [];
            foreach ($sides as $one) {
                $weak = $one->strength !== null && $one->strength < 5;
                $weight += ($one->pain ?? 0) * self::PAIN + ($weak ? 5 - $one->strength : 0);
                $strength = implode(', ', array_filter([
                    $one->strength === null ? '' : "strength {$one->strength} of 5", $one->forceN === null ? '' : round($one->forceN).' N',
                ]));
                $hurts = ($one->pain ?? 0) > 0 ? $this->pain($one->pain, $one->feltIn, Side::Midline) : '';
                $said = implode(', ', array_filter([$strength, $hurts]));
                $notes[] = $said === '' || $one->side === Side::Midline ? $said : "{$one->side->value} $said";
            }
            $name = Prose::within($this->atlas->movement((string) $id)->name);
            if ($weight > 0.0) {
                $deviating[] = new Found($weight, new Sentence(
                    "found.resisted.$id", Part::Found,
                    Prose::sentence('Against resistance, '.$this->terms->movement((string) $id).': '.implode('; ', array_filter($notes))),
                    [new Source('move', 'Resisted: '.$name)],
                ));
            } else {
                $usual[] = $name;
            }
        }

        return $this->withRest($deviating, 'found.resisted', 'Against resistance, strong and painless', $usual, 'move');
    }

    /**
     * @param  list<TestFinding>  $found
     * @param  array<string, Comparison>  $beside
     * @return list<Found>
     */
    private function tests(array $found, array $beside): array
    {
        $deviating = [];
        $usual = [];
        $tests = [];
        foreach ($found as $one) {
            if ($one->result !== 'not_done') {
                $tests[$one->test][] = $one;
            }
        }
        foreach ($tests as $id => $of) {
            $test = $this->atlas->test((string) $id);
            $told = [];
            $silent = [];
            foreach ($of as $one) {
                [$weight, $words] = $this->test($one, $beside);
                $at = trim(($one->segment === null ? '' : str_replace('rib', 'rib ', $one->segment))
                    .($one->side === Side::Midline ? '' : " {$one->side->value}"));
                if ($weight > 0.0) {
                    $told[] = [
                        $weight, $one->value === null ? $words : trim("$at $words"), $one->value === null ? $one->side : Side::Midline,
                    ];
                } else {
                    $silent[] = $at;
                }
            }
            $name = Prose::within($test->name);
            usort($told, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
            if ($told !== []) {
                $deviating[] = new Found($told[0][0], new Sentence(
                    "found.test.$id", Part::Found, Prose::sentence(
                        "$name: ".implode('; ', self::onSides($told)).(
                            $test->norm === null ? '' : ' (usual '.Prose::measured($test->norm, $test->result).')'
                        ),
                    ), [new Source('move', ucfirst($test->name))],
                ));
            }
            if ($silent !== []) {
                $usual[] = trim("$name ".implode(' and ', array_filter($silent)));
            }
        }

        return $this->withRest([...$this->sets($found), ...$deviating], 'found.test', 'Tested and as usual', $usual, 'move');
    }

    /**
     * @param  list<TestFinding>  $found
     * @return list<Found> tests that only speak together, where enough of them answered
     */
    private function sets(array $found): array
    {
        $told = [];
        foreach ($this->atlas->testSets as $set) {
            foreach (Side::pair() as $side) {
                $of = AnsweredSet::of($set, $found, $side);
                if ($of->speaks()) {
                    $told[] = new Found(self::SET_WEIGHT, new Sentence(
                        "found.test.{$set->id}.{$side->value}", Part::Found,
                        Prose::sentence(
                            "Of {$of->done} tests of the {$side->value} {$set->name} {$of->positive} answer: "
                                ."{$set->least} or more speak for that joint",
                        ), [new Source('move', ucfirst($set->name))],
                    ));
                }
            }
        }

        return $told;
    }

    /**
     * @param  list<array{float, string, Side}>  $told
     * @return list<string> what was answered alike on both sides is said once
     */
    private static function onSides(array $told): array
    {
        $sides = [];
        foreach ($told as [, $words, $side]) {
            $sides[$words][] = $side;
        }

        return array_map(
            static fn (array $on, string $words): string => count($on) > 1 ? "$words on both sides" : $on[0]->on($words),
            $sides, array_keys($sides),
        );
    }

    /**
     * @param  array<string, Comparison>  $beside
     * @return array{float, string} how far from the usual, and the words
     */
    private function test(TestFinding $one, array $beside): array
    {
        [$weight, $words] = $one->value !== null ? $this->value($one, $beside) : $this->answer($one);

        return [$weight + ($one->pain ?? 0) * self::PAIN + ($one->symptoms === [] ? 0.0 : 3.0), implode(', ', array_filter([
            $words, $one->pain !== null && $one->pain > 0 ? 'pain '.Prose::figure($one->pain).' of 10' : '',
            $one->endFeel !== null && in_array($one->endFeel, self::TELLING_ENDS, true) ? "end {$one->endFeel}" : '',
            $one->refersTo === [] ? '' : 'felt in the '.$this->terms->places($one->refersTo),
            Prose::list(array_map($this->terms->sign(...), $one->symptoms)),
        ]))];
    }

    /**
     * @param  array<string, Comparison>  $beside
     * @return array{float, string} how far from the usual, and the words
     */
    private function value(TestFinding $one, array $beside): array
    {
        $test = $this->atlas->test($one->test);
        $of = $beside['test.'.implode('.', array_filter([$one->test, $one->segment])).'|'.$one->side->value] ?? null;
        $usual = $of?->withWhat('usual');
        $across = $of?->withWhat('other_side');
        $weight = (
            $usual !== null && $usual->real && ! $usual->better ? max(
                1.0, abs($usual->difference) / max(1.0, $test->measurementError ?? 1) * 0.5,
            ) : 0.0
        )
            + ($across !== null && $across->real && ! $across->better ? 1.0 : 0.0);
        $unit = $test->result;

        return [$weight, implode(', ', array_filter([
            Prose::measured((float) $one->value, $unit).($one->simulated ? ' (simulated)' : ''),
            $across !== null && $across->real && ! $across->better
                ? self::difference($across, $unit).' than '.$one->side->mirrored()->value
                : '',
            $of === null ? '' : self::since($of, Side::Midline, $unit, false),
        ]))];
    }

    /** @return array{float, string} */
    private function answer(TestFinding $one): array
    {
        $test = $this->atlas->test($one->test);
        $words = $test->answers[$one->result ?? ''] ?? str_replace('_', ' ', $one->result ?? '');

        return [in_array($one->result, ['positive', 'relieves'], true) ? 2.5 : 0.0, $words];
    }

    /**
     * @param  list<PalpationFinding>  $found
     * @param  array<string, Comparison>  $beside
     * @return list<Found>
     */
    private function palpation(array $found, array $beside, PatternResult $pattern): array
    {
        $muscles = [];
        foreach ($found as $one) {
            $muscles[$one->muscle][$one->side->value][] = $one;
        }
        $deviating = [];
        $quiet = [];
        $slight = [];
        foreach ($muscles as $muscle => $sides) {
            ksort($sides);
            $silent = [];
            foreach ($sides as $side => $places) {
                $weight = 0.0;
                $clauses = [];
                foreach ($places as $one) {
                    $clause = $this->felt($one, $beside);
                    $weight = max($weight, $this->weight($one));
                    $clauses[] = $clause === '' ? '' : trim($this->where($one).' '.$clause);
                }
                $clauses = array_filter($clauses);
                if ($weight <= 0.0 || $clauses === []) {
                    $silent[] = $side;

                    continue;
                }
                $at = new MuscleAt((string) $muscle, Side::from($side));
                if ($weight <= 1.0 && $clauses === ['tenderness 1 of 4']) {
                    $slight[] = $this->terms->muscleOn((string) $muscle, $at->side);

                    continue;
                }
                $point = match ($pattern->of($at)?->triggerPoint) {
                    TriggerPoint::Active => 'an active trigger point', TriggerPoint::Latent => 'a latent trigger point', default => '',
                };
                $name = $this->terms->muscleOn((string) $muscle, $at->side, true);
                $deviating[] = new Found($weight, new Sentence(
                    "found.palpation.$muscle.$side", Part::Found,
                    Prose::sentence("$name: ".implode('; ', array_filter([...$clauses, $point]))),
                    [new Source('feel', $this->atlas->nameOf($at))],
                ));
            }
            if ($silent !== []) {
                $quiet[] = $this->terms->muscle((string) $muscle).(
                    $silent === [Side::Midline->value] ? '' : ', '.implode(' and ', $silent)
                );
            }
        }

        if ($slight !== []) {
            $deviating[] = new Found(1.0, new Sentence(
                'found.palpation.slight', Part::Found, 'Slightly tender (1 of 4): '.Prose::list($slight).'.', [
                    new Source('feel', 'Slightly tender'),
                ],
            ));
        }

        return $this->withRest($deviating, 'found.palpation', 'Felt and quiet', $quiet, 'feel', '; ');
    }

    private function weight(PalpationFinding $one): float
    {
        $tone = $one->tone === 'spasm' ? 2.0 : ($one->tone === 'high' ? 0.5 : 0.0);

        return (float) ($one->tenderness ?? 0) + (
            $one->familiar === Answer::Yes ? self::FAMILIAR : 0.0
        ) + ($one->refersTo === [] ? 0.0 : 0.5)
            + $tone + ($one->tone === 'low' ? 0.25 : 0.0) + count($one->texture) * 0.25;
    }

    private function where(PalpationFinding $one): string
    {
        return $one->spot === null ? ($this->terms->site($one->site) ?? '') : 'at '.$this->terms->spot($one->muscle, $one->spot);
    }

    /** @param  array<string, Comparison>  $beside */
    private function felt(PalpationFinding $one, array $beside): string
    {
        $key = "palpation.{$one->muscle}.".($one->site ?? 'whole').($one->spot === null ? '' : ".{$one->spot}");
        $tender = $beside["$key.tenderness|{$one->side->value}"] ?? null;
        $threshold = $beside["$key.ppt|{$one->side->value}"] ?? null;
        $last = $tender?->withWhat('last');
        $across = $threshold?->withWhat('other_side');
        $refers = $one->refersTo === []
            ? ($one->familiar === Answer::Yes ? 'pressing it is '.$this->terms->ownPain() : '')
            : 'pressing it is felt in the '.$this->terms->places($one->refersTo)
                .($one->familiar === Answer::Yes ? ', '.$this->terms->ownPain() : '');

        return implode(', ', array_filter([
            $one->tenderness === null || ($one->tenderness === 0 && $this->weight($one) <= 0.0) ? '' : ($one->tenderness === 0
                ? 'not tender'
                : "tenderness {$one->tenderness} of 4".($last === null || ! $last->real ? '' : ' ('.(int) $last->other.' last time)')),
            $one->tone === null ? '' : $this->terms->tone($one->tone) ?? '',
            ...array_map($this->terms->texture(...), $one->texture),
            $refers,
            $one->pptKpa === null ? '' : 'pressure-pain threshold '.$this->terms->pressure($one->pptKpa)
                .($across !== null && $across->real ? ', '.$this->terms->pressure($across->other).' on the other side' : '')
                .($one->simulated ? ' (simulated)' : ''),
        ]));
    }

    /**
     * @param  list<Found>  $deviating
     * @param  list<string>  $rest
     * @return list<Found> with what is as usual in one line behind it
     */
    private function withRest(array $deviating, string $id, string $head, array $rest, string $step, string $between = ', '): array
    {
        $rest = array_values(array_unique(array_filter($rest)));

        return $rest === [] ? $deviating : [...$deviating, new Found(0.0, new Sentence(
            "$id.usual", Part::Found, "$head: ".implode($between, $rest).'.', [new Source($step === 'feel' ? 'feel' : 'move', $head)],
        ))];
    }
}
