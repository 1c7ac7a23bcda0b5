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
     * @param  list<array{float, string}>  $words
     * @param  array<string, array{minutes: float, acts: list<float>, not: list<float>}>  $outcomes
     */
    private function __construct(
        public array $weights,
        public array $caps,
        public array $discount,
        public float $temperature,
        public float $temperatureKnee,
        public float $temperatureAbove,
        public float $prior,
        public float $noneLogOdds,
        public array $words,
        public array $outcomes,
        public int $nextChecks,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/pattern.json");
        $outcomes = [];
        foreach ($file->fields('outcomes')->keys() as $kind) {
            $row = $file->fields('outcomes')->fields($kind);
            $outcomes[$kind] = ['minutes' => $row->float('minutes'), 'acts' => $row->floats('acts'), 'not' => $row->floats('not')];
        }
        $words = array_map(static fn (Fields $row): array => [$row->float('below'), $row->string('word')], $file->list('words'));

        return new self(
            $file->floatMap('weights'), $file->floatMap('caps'), $file->floats('discount'), $file->float('temperature'),
            $file->float('temperature_knee'), $file->float('temperature_above'), $file->float('prior'),
            $file->float('none_log_odds'), $words, $outcomes, $file->int('next_checks'),
        );
    }

    /**
     * Log-odds as they enter the shares. Findings say much of the same thing, so that far up a step is worth less than below: the curve is
     * steep to the knee and flatter above, and never falls.
     */
    public function tempered(float $logOdds): float
    {
        return min($logOdds, $this->temperatureKnee) / $this->temperature + max(0, $logOdds - $this->temperatureKnee) / $this->temperatureAbove;
    }

    /** @return float what one more log-odd is worth there */
    public function slope(float $logOdds): float
    {
        return 1 / ($logOdds <= $this->temperatureKnee ? $this->temperature : $this->temperatureAbove);
    }

    /** @param  array<string, float>  $weights  in place of these */
    public function with(array $weights): self
    {
        return new self(
            [...$this->weights, ...$weights], $this->caps, $this->discount, $this->temperature, $this->temperatureKnee, $this->temperatureAbove, $this->prior, $this->noneLogOdds,
            $this->words, $this->outcomes, $this->nextChecks,
        );
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
