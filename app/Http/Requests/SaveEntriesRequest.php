<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Cases\EntryCheck;
use App\Models\EntryKind;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** Several touches that belong to one act, such as a list of questions denied after it was read out. */
final class SaveEntriesRequest extends FormRequest
{
    use AboutVisit;

    private const MOST = 100;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'entries' => ['required', 'array', 'list', 'max:'.self::MOST],
            'entries.*.kind' => ['required', Rule::enum(EntryKind::class)->only(EntryKind::writable())],
            'entries.*.phase' => ['required', Rule::in(['before', 'after'])],
            'entries.*.identity' => ['nullable', 'string', 'max:160'],
            'entries.*.payload' => ['present', 'nullable'],
            'entries.*.seen' => ['required', 'integer', 'min:0'],
        ];
    }

    public function after(EntryCheck $check): Closure
    {
        return function (Validator $validator) use ($check): void {
            if ($validator->errors()->isNotEmpty()) {
                return;
            }
            foreach ($this->entries() as $index => $entry) {
                if (! in_array($entry['phase'], $entry['kind']->phases(), true)) {
                    $validator->errors()->add("entries.$index.phase", 'Nothing of this kind stands there.');
                }
                foreach (
                    $check->faults(
                        $entry['kind'], $entry['identity'], $entry['payload'], $this->user()?->licensed === true, $this->visit()->day(),
                    ) as $fault
                ) {
                    $validator->errors()->add("entries.$index.payload", $fault);
                }
            }
        };
    }

    /** @return list<array{kind: EntryKind, phase: string, identity: string, payload: mixed, seen: int}> */
    public function entries(): array
    {
        $entries = [];
        foreach ((array) $this->json('entries') as $sent) {
            $kind = EntryKind::from((string) $sent['kind']);
            $entries[] = [
                'kind' => $kind, 'phase' => (string) $sent['phase'],
                'identity' => $kind->nameOf($sent['payload'], $sent['identity'] ?? null),
                'payload' => $kind->bare($sent['payload']), 'seen' => (int) $sent['seen'],
            ];
        }

        return $entries;
    }
}
