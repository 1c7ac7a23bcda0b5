<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\JointStart;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\Sign;
use Somatrace\Core\Pattern\SignBook;

/** What was found of each joint: how it springs and glides, how its movements end, what its tests say. */
final readonly class FromJoints implements Collector
{
    private const GRADES = ['joint_stuck', 'joint_stiff', 'joint_hardly', 'joint_free'];

    private const GRADE_WORDS = ['is stuck', 'is stiff', 'is nearly free', 'is free'];

    public function collect(RankingContext $context, SignBook $book): void
    {
        foreach ($context->case->findings->tests as $finding) {
            $this->test($context, $book, $finding);
        }
        foreach ($context->case->findings->range as $finding) {
            $this->range($context, $book, $finding);
        }
        foreach (Side::pair() as $side) {
            $this->patterns($context, $book, $side);
        }
    }

    private function test(RankingContext $context, SignBook $book, TestFinding $finding): void
    {
        $key = "{$finding->test}:{$finding->side->value}";
        $name = static fn (): string => $finding->side->after(
            trim($context->atlas->test($finding->test)->name.' '.str_replace('rib', '', $finding->segment ?? '')),
        );
        foreach ($context->index->joints->starts[$key] ?? [] as [$at, $start]) {
            if ($start->speaksOf($at->level, $finding->segment)) {
                foreach ($this->ofStart($context, $start, $finding->value, $finding->pain, $key.':'.$finding->segment, $name) as $sign) {
                    $book->add($at, $sign);
                }
            }
        }
        foreach ($context->atlas->test($finding->test)->speaksOf as $nth => $one) {
            if ($one->joint === null) {
                continue;
            }
            $sign = TestSign::of($context, $one, $finding, "$key:$nth");
            foreach ($context->index->joints->of["{$one->joint}:{$finding->side->value}"] ?? [] as $at) {
                if ($sign === null) {
                    break;
                }
                if ($one->levels === [] || in_array($at->level, $one->levels, true)) {
                    $book->add($at, $sign);
                }
            }
        }
    }

    /**
     * @param  \Closure(): string  $name
     * @return list<Sign>
     */
    private function ofStart(
        RankingContext $context, JointStart $start, ?float $value, ?float $pain, string $code, \Closure $name,
    ): array {
        $signs = [];
        if ($value !== null && $start->most !== null) {
            $grade = max(0, min(3, (int) floor($value)));
            $signs[] = $context->sign(
                'joint', self::GRADES[$grade], static fn (): string => $name().' '.self::GRADE_WORDS[$grade], $code,
            );
        } elseif ($value !== null && $start->least !== null) {
            $much = $value >= $start->least;
            $signs[] = $context->sign(
                'joint', $much ? 'joint_stiff' : 'joint_free',
                static fn (): string => $name().($much ? ' is more than usual' : ' is as usual'), $code, $much ? 1.0 : 0.5,
            );
        }
        if ($pain !== null && $signs !== []) {
            $hurts = PainBrought::counts($pain);
            $signs[] = $context->sign(
                'joint_pain', $hurts ? 'joint_hurts' : 'joint_painless',
                static fn (): string => $name().' '.PainBrought::words($pain), $code,
            );
        }

        return $signs;
    }

    private function range(RankingContext $context, SignBook $book, RangeFinding $finding): void
    {
        $key = $finding->key();
        $movement = $context->atlas->movement($finding->movement);
        $name = static fn (): string => $finding->side->after($movement->name);
        foreach ($context->index->joints->starts[$key] ?? [] as [$at, $start]) {
            if ($start->movement === $finding->movement) {
                foreach ($this->ofStart($context, $start, $finding->value(), $finding->pain, $key, $name) as $sign) {
                    $book->add($at, $sign);
                }
            } elseif ($start->short === $finding->movement) {
                $this->end($context, $book, $at, $start->endFeels, $finding, $name);
            }
        }
        foreach ($context->index->joints->again[$key] ?? [] as $at) {
            $steps = $this->steps($context, $finding);
            if ($steps !== null && $steps > 0) {
                $book->add($at, $context->sign(
                    'joint', 'joint_moves_less', static fn (): string => $name().' is short, as it is where this joint is stiff', $key,
                ));
            }
        }
    }

    /**
     * @param  list<string>  $eased  ends that can be eased
     * @param  \Closure(): string  $name
     */
    private function end(
        RankingContext $context, SignBook $book, JointAt $at, array $eased, RangeFinding $finding, \Closure $name,
    ): void {
        $steps = $this->steps($context, $finding);
        $end = $finding->endFeel;
        if (HardEnd::is($end) && $finding->pain > 0) {
            $book->add($at, $context->sign(
                'joint', 'joint_blocked', static fn (): string => $name()." ends $end and hurts: a question, not what hands ease",
                $finding->key(),
            ));

            return;
        }
        if ($steps === null) {
            return;
        }
        [$weight, $words] = match (true) {
            $steps === 0 => ['joint_free', ' is free'],
            $end === null => ['joint_short', ' is short'],
            in_array($end, $eased, true) => ['joint_stiff', " is short, with a $end end"],
            default => ['joint_short', " is short, with a $end end"],
        };
        $book->add($at, $context->sign(
            'joint', $weight, static fn (): string => $name().$words, $finding->key(), $steps === 0 ? 0.5 : 1.0,
        ));
        if ($finding->pain !== null) {
            $hurts = PainBrought::counts($finding->pain);
            $book->add($at, $context->sign(
                'joint_pain', $hurts ? 'joint_hurts' : 'joint_painless',
                static fn (): string => $name().' '.PainBrought::words($finding->pain), $finding->key(), 0.5,
            ));
        }
    }

    /** Movements short in the order a joint capsule shortens them. */
    private function patterns(RankingContext $context, SignBook $book, Side $side): void
    {
        $steps = [];
        foreach ($context->case->findings->range as $finding) {
            if ($finding->side === $side && ! HardEnd::is($finding->endFeel)) {
                $steps[$finding->movement] = $this->steps($context, $finding);
            }
        }
        foreach ($context->index->joints->all as $at) {
            foreach ($at->side === $side ? $at->joint->starts : [] as $start) {
                $known = array_filter(
                    array_map(static fn (string $movement): ?int => $steps[$movement] ?? null, $start->pattern),
                    static fn (?int $one): bool => $one !== null,
                );
                if ($known === [] || count($known) < count($start->pattern)) {
                    continue;
                }
                $all = min($known) > 0;
                $book->add($at, $context->sign(
                    'joint', $all ? 'joint_stiff' : 'joint_free',
                    static fn (): string => $all ? 'Short in all directions, as a stiff joint is' : 'It is not short in all directions',
                    'pattern', $all ? 1.0 : 0.5,
                ));
            }
        }
    }

    private function steps(RankingContext $context, RangeFinding $finding): ?int
    {
        return StepsShort::of($context->atlas->movement($finding->movement), [[$finding->value(), null]]);
    }
}
