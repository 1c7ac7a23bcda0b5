<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A deed that must not be done twice: its window names it (Actions\Once). */
trait CarriesKey
{
    /** @return array<string, list<string>> */
    private function keyRules(): array
    {
        return ['key' => ['required', 'string', 'regex:/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/']];
    }

    public function key(): string
    {
        return (string) $this->string('key');
    }
}
