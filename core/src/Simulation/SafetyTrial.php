<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Clinic;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\Verdict;

/**
 * Screens one intake and asks of it what must hold of every intake.
 *
 * @phpstan-import-type IntakeCase from Intakes
 */
final class SafetyTrial
{
    /** Their limits lie on one side of the body by nature: a mirror moves the client, not the organ. */
    private const ONE_SIDED = ['condition.bowel_disease'];

    private int $turn = 0;

    /** @var list<string> */
    private readonly array $flags;

    /** @var list<string> */
    private readonly array $conditions;

    /**
     * @param  bool  $each  whether each intake is tried in every way, or in turn with one more danger, one more condition, signs of
     * inflammation and a decision
     */
    public function __construct(private readonly Clinic $clinic, private readonly bool $each = true)
    {
        $this->flags = array_keys($clinic->rules()->flags->flags);
        $this->conditions = array_keys($clinic->rules()->conditions);
    }

    /**
     * @param  IntakeCase  $case
     * @return array{ms: float, verdict: string, broken: list<string>} how long the screen took, and what did not hold
     */
    public function of(array $case): array
    {
        $read = $this->clinic->reader()->hydrate($case);
        $from = hrtime(true);
        $result = $this->clinic->screen($read);
        $ms = (hrtime(true) - $from) / 1e6;
        $this->turn++;
        $ways = [
            $this->flagLoosens(...), $this->conditionLoosens(...), $this->signLoosens(...), $this->findingLoosens(...),
            $this->overrideSlips(...),
        ];
        $broken = array_merge(
            $this->orderMatters($case, $result),
            $this->mirrorMatters($case, $result),
            ...array_map(static fn (callable $way): array => $way($case), $this->each ? $ways : [$ways[$this->turn % count($ways)]]),
        );

        return ['ms' => $ms, 'verdict' => $result->verdict->value, 'broken' => $broken];
    }

    /** @param  array<array-key, mixed>  $case */
    private function screen(array $case): SafetyResult
    {
        return $this->clinic->screen($this->clinic->reader()->hydrate($case));
    }

    /**
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function orderMatters(array $case, SafetyResult $result): array
    {
        return $this->screen(Rearranged::shuffled($case))->toArray() === $result->toArray()
            ? []
            : ['the order of the answers changed the result'];
    }

    /**
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function mirrorMatters(array $case, SafetyResult $result): array
    {
        $across = $this->screen(Rearranged::mirrored($case));
        $limits = static function (SafetyResult $of, bool $mirror): array {
            $told = [];
            foreach ($of->limits->all() as $limit) {
                // where another rule says the same, that rule is held to the mirror
                $rules = array_values(array_diff($limit->rules, self::ONE_SIDED));
                if ($rules !== []) {
                    $one = [$limit->effect->value, $limit->scope->toArray(), $limit->value, $rules];
                    $told[] = json_encode($mirror ? Rearranged::mirrored($one) : $one, JSON_THROW_ON_ERROR);
                }
            }
            sort($told);

            return $told;
        };

        return $across->verdict === $result->verdict && $limits($result, true) === $limits($across, false)
            ? []
            : ['the mirrored client got other limits'];
    }

    /**
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function flagLoosens(array $case): array
    {
        $flag = $this->flags[$this->turn % count($this->flags)];
        $with = function (string $answer) use ($case, $flag): SafetyResult {
            $case['health']['red_flags'][$flag] = $answer;

            return $this->screen($case);
        };
        [$no, $unknown, $yes] = [$with('no'), $with('unknown'), $with('yes')];

        return [
            ...$this->looser($no, $unknown, "$flag unknown"),
            ...$this->looser($no, $yes, "$flag yes"),
            ...(
                $this->strength($unknown) > max($this->strength($yes), Verdict::Modify->strength())
                    ? ["$flag unknown was worse than yes"]
                    : []
            ),
        ];
    }

    /**
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function conditionLoosens(array $case): array
    {
        $id = $this->conditions[$this->turn % count($this->conditions)];
        $without = $case;
        $without['health']['conditions'] = array_values(array_filter(
            $case['health']['conditions'], static fn (array $answer): bool => $answer['condition'] !== $id,
        ));
        $with = function (array $details) use ($without, $id): SafetyResult {
            $without['health']['conditions'][] = ['condition' => $id, ...$details];

            return $this->screen($without);
        };
        $no = $with(['answer' => 'no']);
        $zones = [['zone' => 'shoulder_outer', 'side' => 'left']];
        $mild = $with(['answer' => 'yes', 'severity' => 'mild', 'stage' => 'late', 'zones' => $zones]);
        $severe = $with(['answer' => 'yes', 'severity' => 'severe', 'stage' => 'late', 'zones' => $zones]);

        return [
            ...$this->looser($no, $with(['answer' => 'unknown']), "$id unknown"),
            ...$this->looser($no, $mild, "$id yes"),
            ...$this->looser($mild, $severe, "$id severe"),
            ...$this->looser(
                $severe, $with(['answer' => 'yes', 'severity' => 'severe', 'stage' => 'acute', 'zones' => $zones]), "$id acute",
            ),
        ];
    }

    /**
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function signLoosens(array $case): array
    {
        $plain = $this->screen($case);
        $felt = $case['findings']['palpation'] ?? [];
        $looser = [];
        foreach (['warm', 'swollen'] as $sign) {
            $felt[] = ['muscle' => 'trapezius_upper', 'side' => 'left', 'texture' => [$sign]];
            $signed = $this->screen([...$case, 'findings' => [...$case['findings'], 'palpation' => $felt]]);
            $looser = [...$looser, ...$this->looser($plain, $signed, $sign)];
            $plain = $signed;
        }

        return $looser;
    }

    /**
     * One more sign that hands measured: nerves, strength, girth, night, a bad end of a movement.
     *
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function findingLoosens(array $case): array
    {
        $found = $case['findings'];
        $without = static fn (array $list, string $test): array => array_values(array_filter(
            $list, static fn (mixed $one): bool => ! is_array($one) || ($one['test'] ?? '') !== $test,
        ));
        $tests = [
            'cervical_compression' => 'midline', 'cervical_lift' => 'midline', 'straight_leg_raise_nerve' => 'left', 'reflex' => 'left',
            'arm_nerve_stretch' => 'left', 'slump' => 'left', 'wrist_bent' => 'left', 'wrist_tapped' => 'left', 'calf_squeeze' => 'left',
            'wasting' => 'left', 'constant_numbness' => 'left', 'night_waking' => 'midline',
        ];
        $test = array_keys($tests)[$this->turn % count($tests)];
        $with = fn (string $result): SafetyResult => $this->screen([...$case, 'findings' => [
            ...$found,
            'tests' => [...$without($found['tests'] ?? [], $test), ['test' => $test, 'side' => $tests[$test], 'result' => $result]],
        ]]);
        $looser = $this->looser($with('negative'), $with($test === 'cervical_lift' ? 'relieves' : 'positive'), $test);
        $held = fn (int $seconds): SafetyResult => $this->screen([...$case, 'findings' => [...$found, 'tests' => [
            ...$without($found['tests'] ?? [], 'positional_artery'),
            ...array_map(
                static fn (string $side): array => [
                    'test' => 'positional_artery', 'side' => $side, 'result' => 'negative', 'seconds' => $seconds,
                ],
                ['left', 'right'],
            ),
        ]]]);
        $short = $held(8)->limits->all();
        $full = array_map(static fn (Limit $limit): string => $limit->key(), $held(30)->limits->all());
        $strength = fn (int $grade): SafetyResult => $this->screen([
            ...$case, 'findings' => [...$found, 'resisted' => [['movement' => 'wrist.extension', 'side' => 'left', 'strength' => $grade]]],
        ]);
        $calves = fn (float $left): SafetyResult => $this->screen([...$case, 'findings' => [...$found, 'tests' => [
            ...$without($found['tests'] ?? [], 'calf_girth'), ['test' => 'calf_girth', 'side' => 'left', 'value' => $left],
            ['test' => 'calf_girth', 'side' => 'right', 'value' => 35.0],
        ]]]);

        return [
            ...$looser,
            ...(
                array_diff($full, array_map(static fn (Limit $limit): string => $limit->key(), $short)) === []
                    ? []
                    : ['a check held to its end bound more than one cut short']
            ),
            ...$this->looser($strength(5), $strength(3), 'strength 3'), ...$this->looser($strength(3), $strength(2), 'strength 2'),
            ...$this->looser($calves(35.0), $calves(37.5), 'a calf 2.5 cm larger'),
            ...$this->looser($calves(37.5), $calves(39.0), 'a calf 4 cm larger'),
        ];
    }

    /**
     * @param  IntakeCase  $case
     * @return list<string>
     */
    private function overrideSlips(array $case): array
    {
        $decide = function (bool $licensed, string $verdict) use ($case): SafetyResult {
            $case['overrides'] = [[
                'verdict' => $verdict, 'by_licensed' => $licensed, 'reason' => 'Talked over with her doctor.', 'on' => $case['as_of'],
            ]];

            return $this->screen($case);
        };
        unset($case['overrides']);
        $plain = $this->screen($case);
        $named = in_array($plain->verdict, [Verdict::Refer, Verdict::Defer, Verdict::Modify], true) ? $plain->verdict->value : 'refer';
        $licensed = $decide(true, $named);
        $broken = $decide(false, $named)->verdict === $plain->verdict ? [] : ['a decision without licence changed the verdict'];
        if ($plain->verdict === Verdict::Emergency && $licensed->verdict !== Verdict::Emergency) {
            $broken[] = 'an emergency was overridden';
        }
        $kept = array_map(static fn (Limit $limit): string => $limit->key(), $licensed->limits->all());
        foreach ($plain->limits->all() as $limit) {
            if (! in_array($limit->key(), $kept, true)) {
                $broken[] = "the decision lost {$limit->key()}";
            }
        }

        return $broken;
    }

    /** @return list<string> what of the first no longer holds in the second */
    private function looser(SafetyResult $before, SafetyResult $after, string $what): array
    {
        $broken = $this->strength($after) < $this->strength($before)
            && $after->beforeOverride->strength() < $before->beforeOverride->strength()
            ? ["$what lowered the verdict"]
            : [];
        $now = [];
        foreach ($after->limits->all() as $limit) {
            $now[$limit->key()] = $limit;
        }
        foreach ($before->limits->all() as $limit) {
            $same = $now[$limit->key()] ?? null;
            $holds = match (true) {
                $same !== null => ! $limit->effect->isFigure() || (float) $same->value <= (float) $limit->value,
                // an open question may close when the answer is in
                default => $limit->effect === Effect::CheckFirst,
            };
            if (! $holds) {
                $broken[] = "$what loosened {$limit->key()}";
            }
        }

        return $broken;
    }

    private function strength(SafetyResult $result): int
    {
        return $result->verdict->strength();
    }
}
