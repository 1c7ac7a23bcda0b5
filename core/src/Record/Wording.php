<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** Which words a paper uses for what has a plain name and a clinical term. */
enum Wording: string
{
    case Plain = 'plain';
    case Clinical = 'clinical';
    case Both = 'both';

    /** What was chosen, the other beside it where both are wanted; one alone where there is no other. */
    public function of(string $plain, string $clinical): string
    {
        return match (true) {
            $this === self::Clinical => $clinical,
            $this === self::Plain || strcasecmp($plain, $clinical) === 0 => $plain,
            default => "$plain ($clinical)",
        };
    }
}
