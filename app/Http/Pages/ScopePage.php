<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Clinic;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\Clinic as Core;

/** What a clinic may not do, or will not, and why: it vanishes from plans. */
final readonly class ScopePage
{
    public function __construct(private Core $core)
    {
    }

    /** @return array<string, mixed> */
    public function of(Clinic $clinic): array
    {
        return [
            'techniques' => array_values(array_map(static fn (Technique $technique): array => [
                'id' => $technique->id, 'name' => $technique->name, 'what' => $technique->what, 'kind' => $technique->kind,
                'off' => in_array($technique->id, $clinic->scope_off, true), 'reason' => $clinic->scope_reasons[$technique->id] ?? '',
            ], $this->core->atlas()->techniques)),
        ];
    }

    /** @return list<array{name: string, reason: string}> what is off here, for those who plan */
    public function off(Clinic $clinic): array
    {
        return array_values(array_map(
            fn (string $id): array => ['name' => $this->core->atlas()->technique($id)->name, 'reason' => $clinic->scope_reasons[$id] ?? ''],
            array_filter($clinic->scope_off, fn (string $id): bool => isset($this->core->atlas()->techniques[$id])),
        ));
    }
}
