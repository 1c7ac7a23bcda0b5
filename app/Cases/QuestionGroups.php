<?php

declare(strict_types=1);

namespace App\Cases;

use Somatrace\Core\Clinic;

/**
 * The groups in which health is asked, read out one by one: the danger signs of every visit, the others, and the conditions and medicines
 * in seven.
 */
final readonly class QuestionGroups
{
    public const FLAGS = ['red_flags_every_visit', 'red_flags_other'];

    /** @return list<string> in the order they are asked */
    public static function ids(Clinic $clinic): array
    {
        return [...self::FLAGS, ...array_keys($clinic->rules()->groups)];
    }
}
