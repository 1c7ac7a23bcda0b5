<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Handwork\Ceiling;
use Somatrace\Core\Handwork\Manoeuvre;

/** One turn of the hands at a muscle or joint. */
final readonly class Turn
{
    /**
     * @param  list<string>  $find  how to come to it, step by step, and what proves it
     * @param  list<Manoeuvre>  $manoeuvres  in order
     * @param  string|null  $words  the therapist's own
     * @param  int|null  $round  of the work on one target; null where it is felt or measured only
     */
    private function __construct(
        public MuscleAt|JointAt $on,
        public ?string $site = null,
        public array $find = [],
        public array $manoeuvres = [],
        public ?Ceiling $ceiling = null,
        public ?int $round = null,
        public bool $isOtherSide = false,
        public ?string $words = null,
    ) {
    }

    /** It is felt, or measured whether it matters. */
    public static function at(MuscleAt $at, string ...$find): self
    {
        return new self($at, find: array_values($find));
    }

    /**
     * @param  list<string>  $find
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     */
    public static function onMuscle(
        MuscleAt $at, ?string $site, array $find, array $manoeuvres, int $round, bool $isOtherSide, ?string $words,
    ): self {
        return new self($at, $site, $find, $manoeuvres, self::strictest($manoeuvres), $round, $isOtherSide, $words);
    }

    /** @param  non-empty-list<Manoeuvre>  $manoeuvres */
    public static function onJoint(JointAt $at, array $manoeuvres, int $round): self
    {
        return new self($at, manoeuvres: $manoeuvres, ceiling: self::strictest($manoeuvres), round: $round);
    }

    /** @param  list<Manoeuvre>  $manoeuvres */
    private static function strictest(array $manoeuvres): ?Ceiling
    {
        $strongest = null;
        foreach ($manoeuvres as $one) {
            if ($one->ceiling !== null && ($strongest === null || $one->ceiling->felt > $strongest->felt)) {
                $strongest = $one->ceiling;
            }
        }

        return $strongest;
    }
}
