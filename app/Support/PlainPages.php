<?php

declare(strict_types=1);

namespace App\Support;

use Inertia\Response;
use Inertia\ResponseFactory;

/**
 * Pages are given plain values, never what is worked out later. The package looks for the latter in every value of every document on a
 * page, a third of the time a visit's page takes; in an object it does not look.
 */
final class PlainPages extends ResponseFactory
{
    /** @param  array<array-key, mixed>  $props */
    public function render($component, $props = []): Response
    {
        return parent::render($component, array_map(self::plain(...), (array) $props));
    }

    /** The same JSON: a map as an object, a list as a list of such. */
    private static function plain(mixed $value): mixed
    {
        return match (true) {
            ! is_array($value) => $value,
            array_is_list($value) => array_map(self::plain(...), $value),
            default => (object) $value,
        };
    }
}
