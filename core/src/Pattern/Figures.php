<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/** The weights and caps of the ranking, from data. */
final readonly class Figures
{
    /**
     * @param  array<string, float>  $weights
     * @param  array<string, float>  $caps  most that one kind of evidence may add or take away
     * @param  list<float>  $discount  share of the first, second, third … sign of one kind; the last holds for all further ones
     * @param  list<array{float, float}>  $curve  from which log-odds on, and the slope there; the first from 0 holds below it too
     * @param  list<array{float, string}>  $words
     * @param  array<string, array{minutes: float, acts: list<float>, not: list<float>}>  $outcomes  a test brings minutes of its own
     * @param  float  $gainWorth  bits that a certain gain of the first three is worth
     * @param  float  $handWorth  how many times a movement must be worth a palpation to be suggested before it
     */
    private function __construct(
        public array $weights,
        public array $caps,
        private array $discount,
        public array $curve,
        public float $prior,
        public float $lesserComplaint,
        private float $jointPrior,
        private float $levelPrior,
        public float $noneLogOdds,
        public NoneFigures $none,
        public array $words,
        public array $outcomes,
        public int $nextChecks,
        public float $gainWorth,
        public float $handWorth,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/pattern.json");
        $outcomes = [];
        foreach ($file->fields('outcomes')->keys() as $kind) {
            $row = $file->fields('outcomes')->fields($kind);
            $outcomes[$kind] = [
                'minutes' => $row->floatOrNull('minutes') ?? 0.0, 'acts' => $row->floats('acts'), 'not' => $row->floats('not'),
            ];
        }
        $words = array_map(static fn (Fields $row): array => [$row->float('below'), $row->string('word')], $file->list('words'));

        $curve = array_map(static fn (Fields $row): array => [$row->float('from'), $row->float('slope')], $file->list('support_curve'));

        return new self(
            $file->floatMap('weights'), $file->floatMap('caps'), $file->floats('discount'), $curve, $file->float('prior'),
            $file->float('lesser_complaint'), $file->float('joint_prior'), $file->float('level_prior'),
            $file->float('none_log_odds'), NoneFigures::from($file->fields('none')), $words, $outcomes, $file->int('next_checks'),
            $file->fields('check_worth')->float('first_three'), $file->fields('check_worth')->float('palpation'),
        );
    }

    /**
     * Log-odds as they enter the shares. Findings say much of the same thing, so that far up a step is worth less than below: the curve is
     * steep at first, flatter further up, and never falls.
     */
    public function tempered(float $logOdds): float
    {
        $tempered = 0.0;
        foreach ($this->curve as $part => [$from, $slope]) {
            $to = $this->curve[$part + 1][0] ?? INF;
            if ($logOdds <= $to) {
                return $tempered + ($logOdds - $from) * $slope;
            }
            $tempered += ($to - $from) * $slope;
        }

        return $tempered;
    }

    /** @return float what one more log-odd is worth there */
    public function slope(float $logOdds): float
    {
        $here = $this->curve[0][1] ?? 1.0;
        foreach ($this->curve as [$from, $slope]) {
            $here = $logOdds > $from ? $slope : $here;
        }

        return $here;
    }

    /** @param  array<string, float>  $weights  in place of these */
    public function with(array $weights): self
    {
        return new self(
            [...$this->weights, ...$weights], $this->caps, $this->discount, $this->curve, $this->prior,
            $this->lesserComplaint, $this->jointPrior, $this->levelPrior, $this->noneLogOdds, $this->none,
            $this->words, $this->outcomes, $this->nextChecks, $this->gainWorth, $this->handWorth,
        );
    }

    /** The share of a sign of one kind that stands at that place among the others, the strongest at 0. */
    public function discounted(int $rank): float
    {
        return $this->discount[$rank] ?? $this->discount[count($this->discount) - 1];
    }

    /**
     * What signs of one kind add up to: the strongest counts whole, each further one less.
     *
     * @param  list<float>  $strengths
     */
    public function addedUp(array $strengths): float
    {
        rsort($strengths);
        $sum = 0.0;
        foreach ($strengths as $rank => $strength) {
            $sum += $strength * $this->discounted($rank);
        }

        return $sum;
    }

    /** @param  bool  $levelled  one of several levels of its kind: which one is open too */
    public function jointPrior(bool $levelled): float
    {
        return $levelled ? $this->levelPrior : $this->jointPrior;
    }

    public function weight(string $name): float
    {
        return $this->weights[$name] ?? throw new \OutOfBoundsException("pattern.json has no weight \"$name\"");
    }

    public function word(float $support): string
    {
        foreach ($this->words as [$below, $word]) {
            if ($support < $below) {
                return $word;
            }
        }

        return '';
    }
}
