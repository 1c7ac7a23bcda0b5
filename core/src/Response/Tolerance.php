<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;

/**
 * What one muscle of one client bears: the largest dose that left no lasting soreness, the smallest that did. A visit without a dose or
 * without an answer tells nothing.
 */
final readonly class Tolerance
{
    /**
     * @param  float|null  $borne  kPa·s
     * @param  float|null  $soreFrom  kPa·s
     * @param  int  $visits  that tell
     */
    private function __construct(public ?float $borne, public ?float $soreFrom, public int $visits)
    {
    }

    public static function of(CaseFile $case, MuscleAt $at, ResponseFigures $figures): self
    {
        $borne = $sore = [];
        foreach ($case->history as $visit) {
            $answer = Answered::of($visit);
            $dose = 0.0;
            foreach ($visit->done as $done) {
                if ($done->at()->key() === $at->key()) {
                    $dose += $done->doseKpaS ?? 0.0;
                }
            }
            if ($dose <= 0 || ! $answer->isAsked()) {
                continue;
            }
            if ($answer->worse === true || $answer->soreHours > $figures->holdHours) {
                $sore[] = $dose;
            } else {
                $borne[] = $dose;
            }
        }

        return new self($borne === [] ? null : max($borne), $sore === [] ? null : min($sore), count($borne) + count($sore));
    }

    /** Whether so much would come to where soreness began; unknown is not. */
    public function isReachedBy(float $doseKpaS): bool
    {
        return $this->soreFrom !== null && $doseKpaS >= $this->soreFrom;
    }

    /** Its answers differ: a dose was borne that was larger than one that made sore. */
    public function varies(): bool
    {
        return $this->soreFrom !== null && $this->borne !== null && $this->borne >= $this->soreFrom;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['borne' => $this->borne, 'sore_from' => $this->soreFrom, 'varies' => $this->varies(), 'visits' => $this->visits];
    }
}
