<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\User;
use Somatrace\Core\Clinic;

/** What one's hands made on the pressure plate, tool by tool, and what stands for each feeling there. */
final readonly class LeanPage
{
    public function __construct(private Clinic $clinic)
    {
    }

    /** @return array<string, mixed> */
    public function of(User $user): array
    {
        $address = config('somatrace.devices.plate');
        $real = is_string($address) && $address !== '';

        return [
            'tools' => $this->tools($user), 'mass' => $user->mass_kg,
            'plate' => $real
                ? ['address' => $address, 'simulated' => false]
                : ($user->clinic->demo ? ['address' => route('atlas.lean.plate', absolute: false), 'simulated' => true] : null),
        ];
    }

    /** @return list<array<string, mixed>> */
    public function tools(User $user): array
    {
        $mass = $user->mass_kg ?? $this->clinic->usualMass();
        $holds = $user->holds();
        $owned = $user->tools;
        $tools = [];
        foreach ($this->clinic->leant() as $id) {
            $tool = $this->clinic->atlas()->tool($id);
            if ($tool->isAid && $owned !== [] && ! in_array($id, $owned, true)) {
                continue;
            }
            $aims = [];
            foreach ($this->clinic->plate()->aims($tool) as $felt) {
                $force = $this->clinic->plate()->expected($tool, $felt);
                $aims[] = [
                    'felt' => $felt, 'force_n' => round($force->newtons, 1), 'lean' => round($force->leanPercent($mass), 1),
                    'last' => $holds[$id][$felt] ?? null,
                ];
            }
            $made = array_map(
                static fn (int $felt, array $hold): array => [(float) $felt, (float) $hold['force_n']],
                array_keys($holds[$id] ?? []), $holds[$id] ?? [],
            );
            $share = $this->clinic->plate()->share($tool, $made);
            $tools[] = [
                'id' => $id, 'name' => $tool->name, 'hand' => $tool->hand, 'aims' => $aims,
                // how much more than usual plans reckon with from now on, in per cent; null where the plate was not pressed enough
                'more' => $share === null ? null : (int) round(100 * ($share - 1)),
            ];
        }

        return $tools;
    }
}
