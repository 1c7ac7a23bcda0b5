<?php

declare(strict_types=1);

namespace App\Keeping;

/** One thing the doctor looked at: how it stands, and what to do. */
final readonly class Finding
{
    /** @param  'well'|'watch'|'ill'  $state */
    private function __construct(public string $about, public string $state, public string $words, public string $do)
    {
    }

    public static function well(string $about, string $words): self
    {
        return new self($about, 'well', $words, '');
    }

    public static function watch(string $about, string $words, string $do): self
    {
        return new self($about, 'watch', $words, $do);
    }

    public static function ill(string $about, string $words, string $do): self
    {
        return new self($about, 'ill', $words, $do);
    }
}
