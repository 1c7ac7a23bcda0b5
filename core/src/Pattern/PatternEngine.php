<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Test;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Findings\Reproduction;
use Somatrace\Core\Response\Quietness;

/** Ranks every muscle and joint on each side by what was found. Additive log-odds, one softmax, each part explained. */
final class PatternEngine
{
    private ?AtlasIndex $index = null;

    /** Of the case that was ranked last: it is asked for its next checks as well. */
    private ?RankingContext $last = null;

    /** @param  \Closure(CaseFile): CaseFile  $told  the case with what was said of a whole told of its parts; of one told so, itself */
    public function __construct(
        private readonly Atlas $atlas,
        private readonly Figures $figures,
        private readonly Quietness $quietness,
        private readonly Reproduction $reproduction,
        private readonly \Closure $told,
    ) {
    }

    public function rank(CaseFile $case): PatternResult
    {
        $context = $this->context($case);
        $book = new SignBook;
        foreach ($this->collectors() as $collector) {
            $collector->collect($context, $book);
        }
        $weighing = new Weighing($this->figures);
        $weighed = [];
        $logOdds = [];
        $plain = null;
        foreach ($context->candidates as $at) {
            $key = $at->key();
            // what has nothing of its own is weighed once for all
            $weighed[$key] = $book->isPlain($at) ? $plain ??= $weighing->weigh($book->of($at)) : $weighing->weigh($book->of($at));
            $logOdds[$key] = $this->figures->prior + $weighed[$key]->sum;
        }
        $muscles = $logOdds;
        $ofJoints = [];
        foreach ($context->index->joints->all as $key => $at) {
            $ofJoints[$key] = $book->isPlain($at) ? $plain ??= $weighing->weigh($book->of($at)) : $weighing->weigh($book->of($at));
            $logOdds[$key] = $this->figures->jointPrior($at->joint->levels !== []) + $ofJoints[$key]->sum;
        }
        $best = $this->figures->tempered(max([$this->figures->prior, ...array_values($logOdds)]));
        $ofNone = (new NoneReader($this->figures->none, $this->reproduction))->of($context, $best);
        [$support, $none] = $this->shares($logOdds, $ofNone);
        // log-odds are compared at a fixed fineness, so that a rounding in the last bit cannot turn the order; of equals the first by name
        // stays first
        $order = array_map(static fn (float $odds): float => round($odds, 9), $muscles);
        arsort($order);
        $candidates = [];
        foreach ($order as $key => $_) {
            $candidate = $this->candidate(
                $context, $book, $context->candidates[$key], $logOdds[$key], $support[$key], $weighed[$key],
            );
            // where none of them explains it, none of them is offered as the source
            $candidates[] = $ofNone->leads ? $candidate->asNoSource() : $candidate;
        }

        return new PatternResult($candidates, $this->joints($context, $logOdds, $support, $ofJoints, $book), $none, $ofNone, []);
    }

    /**
     * @param  array<string, float>  $logOdds  by key
     * @param  array<string, float>  $support
     * @param  array<string, Weighed>  $ofJoints
     * @return list<JointCandidate> strongest first
     */
    private function joints(RankingContext $context, array $logOdds, array $support, array $ofJoints, SignBook $book): array
    {
        $order = array_map(static fn (float $odds): float => round($odds, 9), array_intersect_key($logOdds, $ofJoints));
        arsort($order);
        $joints = [];
        foreach ($order as $key => $_) {
            $at = $context->index->joints->all[$key];
            $joints[] = new JointCandidate(
                $at, $context->index->joints->names[$key], $logOdds[$key], $support[$key], $this->figures->word($support[$key]),
                $ofJoints[$key], $support[$key] < PatternResult::TELLING ? [] : self::explained($at, $book),
            );
        }

        return $joints;
    }

    /** @return list<MuscleAt> muscles around it that were found tender, tense or short */
    private static function explained(JointAt $at, SignBook $book): array
    {
        $explained = [];
        foreach ($at->joint->around as $muscle) {
            foreach ($at->side === Side::Midline ? Side::pair() : [$at->side] as $side) {
                $one = new MuscleAt($muscle, $side);
                if ($book->speaksFor($one, 'palpation', 'shortness')) {
                    $explained[] = $one;
                }
            }
        }

        return $explained;
    }

    /**
     * The same ranking with the checks that would tell most next; where nothing points anywhere, nothing is to be told apart.
     *
     * @param  \Closure(Test): bool  $mayTest  whether a test may be done with this client
     */
    public function withChecks(CaseFile $case, PatternResult $pattern, \Closure $mayTest): PatternResult
    {
        if (array_filter($pattern->candidates, static fn (Candidate $one): bool => ! $one->weighed->isEmpty()) === []) {
            return $pattern;
        }
        $checks = (new CheckFinder($this->context($case), $mayTest))->find($pattern);

        return new PatternResult($pattern->candidates, $pattern->joints, $pattern->noneSupport, $pattern->ofNone, $checks);
    }

    /** What a check of a kind takes. */
    public function minutesOf(string $kind): float
    {
        return $this->figures->outcomes[$kind]['minutes'];
    }

    private function context(CaseFile $case): RankingContext
    {
        $told = ($this->told)($case);
        $context = $this->last;
        if ($context === null || $context->case !== $told) {
            $this->last = $context = new RankingContext($this->index ??= new AtlasIndex($this->atlas), $told, $this->figures);
        }

        return $context;
    }

    /** @return list<Evidence\Collector> the short antagonist reads what the ones before it wrote */
    private function collectors(): array
    {
        return [
            new Evidence\FromComplaint, new Evidence\FromRange, new Evidence\FromTest, new Evidence\FromResisted, new Evidence\FromPosture,
            new Evidence\FromDemand, new Evidence\FromExperience,
            new Evidence\FromPalpation, new Evidence\FromShortAntagonist, new Evidence\FromResponse($this->quietness),
            new Evidence\FromJoints,
        ];
    }

    /**
     * @param  array<string, float>  $logOdds
     * @return array{array<string, float>, float} shares of one distribution over all candidates and "none of these"
     */
    private function shares(array $logOdds, NoneOfThese $ofNone): array
    {
        $tempered = array_map($this->figures->tempered(...), $logOdds);
        $none = $this->figures->tempered($this->figures->noneLogOdds + $ofNone->weight());
        $none = $ofNone->leads ? max($none, max($tempered ?: [0.0]) + $this->figures->none->lead) : $none;
        $top = max($none, ...array_values($tempered));
        $weights = array_map(static fn (float $odds): float => exp($odds - $top), $tempered);
        $total = array_sum($weights) + exp($none - $top);

        return [array_map(static fn (float $weight): float => $weight / $total, $weights), exp($none - $top) / $total];
    }

    private function candidate(
        RankingContext $context,
        SignBook $book,
        MuscleAt $at,
        float $logOdds,
        float $support,
        Weighed $weighed,
    ): Candidate {
        $point = TriggerPoint::of($context->palpation[$at->key()] ?? []);
        $role = $book->isPlain($at) ? Role::Unclear : (new RoleReader)->of($context, $book, $at, $point);

        return new Candidate(
            $at, $context->index->names[$at->key()], $logOdds, $support, $this->figures->word($support),
            $role, $point, $weighed,
        );
    }
}
