<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Cases\EntryCheck;
use App\Cases\PlanTries;
use App\Models\EntryKind;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/**
 * Plans that are only supposed, not set.
 *
 * @phpstan-import-type Supposed from PlanTries
 */
final class TryPlanRequest extends FormRequest
{
    use AboutVisit;

    /** As many stand beside each other at most. */
    private const MOST = 6;

    private const KINDS = ['targets' => EntryKind::Target, 'dropped' => EntryKind::Dropped];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'tries' => ['required', 'array', 'list', 'max:'.self::MOST],
            'tries.*' => ['array:minutes,school,targets,dropped'],
            'tries.*.minutes' => ['integer', 'min:10', 'max:180'],
            'tries.*.school' => ['array', 'max:20'],
            'tries.*.targets' => ['array', 'list', 'max:60'],
            'tries.*.dropped' => ['array', 'list', 'max:60'],
        ];
    }

    public function after(EntryCheck $check): Closure
    {
        return function (Validator $validator) use ($check): void {
            if ($validator->errors()->isNotEmpty()) {
                return;
            }
            $day = $this->visit()->day();
            foreach ($this->tries() as $number => $one) {
                foreach (self::KINDS as $list => $kind) {
                    foreach ($one[$list] ?? [] as $payload) {
                        foreach ($check->faults($kind, $kind->nameOf($payload, null), $payload, false, $day) as $fault) {
                            $validator->errors()->add("tries.$number.$list", $fault);
                        }
                    }
                }
                foreach ($one['school'] ?? [] as $question => $choice) {
                    foreach ($check->faults(EntryKind::School, $question, $choice, false, $day) as $fault) {
                        $validator->errors()->add("tries.$number.school", $fault);
                    }
                }
            }
        };
    }

    /** @return list<Supposed> */
    public function tries(): array
    {
        return array_values((array) $this->json('tries'));
    }
}
