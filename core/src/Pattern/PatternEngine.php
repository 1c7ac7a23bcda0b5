<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Response\Quietness;

/** Ranks every muscle and side by what was found. Additive log-odds, one softmax, each part explained. */
final class PatternEngine
{
    private ?Index $index = null;

    public function __construct(private readonly Atlas $atlas, private readonly Figures $figures, private readonly Quietness $quietness)
    {
    }

    public function rank(CaseFile $case): PatternResult
    {
        $scene = $this->scene($case);
        $book = new SignBook;
        foreach ($this->collectors() as $collector) {
            $collector->collect($scene, $book);
        }
        $weighing = new Weighing($this->figures);
        $evidence = [];
        $logOdds = [];
        $plain = null;
        foreach ($scene->index->candidates as $at) {
            $key = $at->key();
            // what has nothing of its own is weighed once for all
            $evidence[$key] = $book->isPlain($at) ? $plain ??= $weighing->evidence($book->of($at)) : $weighing->evidence($book->of($at));
            $logOdds[$key] = $this->figures->prior;
            foreach ($evidence[$key] as $one) {
                $logOdds[$key] += $one->weight;
            }
        }
        [$support, $none] = $this->shares($logOdds);
        $candidates = array_map(fn (MuscleAt $at): Candidate => $this->candidate($scene, $book, $at, $logOdds[$at->key()], $support[$at->key()], $evidence[$at->key()]), $scene->index->candidates);
        // log-odds are compared at a fixed fineness, so that a rounding in the last bit cannot turn the order
        usort($candidates, static fn (Candidate $a, Candidate $b): int => [round($b->logOdds, 9), $a->at->key()] <=> [round($a->logOdds, 9), $b->at->key()]);

        return new PatternResult($candidates, $none, []);
    }

    /** The same ranking with the checks that would tell most next. */
    public function withChecks(CaseFile $case, PatternResult $pattern): PatternResult
    {
        $checks = (new CheckFinder($this->scene($case)))->find($pattern->candidates, $pattern->noneSupport);

        return new PatternResult($pattern->candidates, $pattern->noneSupport, $checks);
    }

    private function scene(CaseFile $case): Scene
    {
        return new Scene($this->index ??= new Index($this->atlas), $case, $this->figures);
    }

    /** @return list<Evidence\Collector> the short antagonist reads what the ones before it wrote */
    private function collectors(): array
    {
        return [
            new Evidence\FromComplaint, new Evidence\FromRange, new Evidence\FromResisted, new Evidence\FromPosture, new Evidence\FromDemand,
            new Evidence\FromPalpation, new Evidence\FromShortAntagonist, new Evidence\FromResponse($this->quietness),
        ];
    }

    /**
     * @param  array<string, float>  $logOdds
     * @return array{array<string, float>, float} shares of one distribution over all candidates and "none of these"
     */
    private function shares(array $logOdds): array
    {
        $top = max($this->figures->noneLogOdds, ...array_values($logOdds));
        $weights = array_map(fn (float $odds): float => exp(($odds - $top) / $this->figures->temperature), $logOdds);
        $none = exp(($this->figures->noneLogOdds - $top) / $this->figures->temperature);
        $total = array_sum($weights) + $none;

        return [array_map(static fn (float $weight): float => $weight / $total, $weights), $none / $total];
    }

    /** @param  list<Evidence>  $evidence */
    private function candidate(Scene $scene, SignBook $book, MuscleAt $at, float $logOdds, float $support, array $evidence): Candidate
    {
        $point = TriggerPoint::of($scene->palpation[$at->key()] ?? []);
        $role = $book->isPlain($at) ? Role::Unclear : (new RoleReader)->of($scene, $book, $at, $point);

        return new Candidate(
            $at, $this->atlas->nameOf($at), $logOdds, $support, $this->figures->word($support),
            $role, $point, $evidence,
        );
    }
}
