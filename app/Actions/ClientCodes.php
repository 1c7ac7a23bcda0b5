<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Client;
use Illuminate\Support\Facades\DB;

/** Codes for clients who are new in a clinic: initials and a running number, short enough to say, and no name in them. */
final class ClientCodes
{
    /** @var array<string, true>|null */
    private ?array $taken = null;

    private int $number = 0;

    public function __construct(private readonly int $clinic)
    {
    }

    public function next(string $name): string
    {
        if ($this->taken === null) {
            $this->taken = array_fill_keys(DB::table('clients')->where('clinic_id', $this->clinic)->pluck('code')->all(), true);
            $this->number = count($this->taken);
        }
        do {
            $code = sprintf('%s-%02d', $this->initials($name), ++$this->number);
        } while (isset($this->taken[$code]));
        $this->taken[$code] = true;

        return $code;
    }

    private function initials(string $name): string
    {
        $words = preg_split('/\s+/', strtoupper(Client::folded($name))) ?: [];
        $initials = implode(
            '', array_map(static fn (string $word): string => substr((string) preg_replace('/[^A-Z]/', '', $word), 0, 1), $words),
        );

        return $initials === '' ? 'X' : substr($initials, 0, 3);
    }
}
