<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Role;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Somebody who is invited, or whose role changes. */
final class PersonRequest extends FormRequest
{
    public function authorize(): bool
    {
        $person = $this->route('person');

        return $person instanceof User
            ? $this->user()?->can('manage', $person) === true
            : $this->user()?->can('viewAny', User::class) === true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $new = ! $this->route('person') instanceof User;

        return [
            'name' => $new ? ['required', 'string', 'max:120'] : ['prohibited'],
            'email' => $new ? ['required', 'email', 'max:190', Rule::unique('users', 'email')] : ['prohibited'],
            'role' => ['required', Rule::enum(Role::class)],
            'licensed' => ['boolean'],
            'experience' => ['nullable', Rule::in(['student', 'qualified', 'advanced'])],
            'supervisor_id' => [
                Rule::requiredIf($this->input('role') === Role::Student->value), 'nullable', 'integer', Rule::in($this->supervisors()),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'email.unique' => 'Somebody has this address already.',
            'supervisor_id.required' => 'A student has a supervisor: who is it?',
            'supervisor_id.in' => 'A supervisor is licensed, may countersign, and works here.',
        ];
    }

    public function role(): Role
    {
        return Role::from((string) $this->string('role'));
    }

    /**
     * @return array{licensed: bool, experience: string, supervisor_id: int|null} a student is never licensed nor trained further, and only
     *         a student has a supervisor
     */
    public function told(): array
    {
        $student = $this->role()->isSupervised();

        return [
            'licensed' => ! $student && $this->boolean('licensed'),
            'experience' => match (true) {
                $student => 'student',
                $this->string('experience')->value() === 'advanced' => 'advanced',
                default => 'qualified',
            },
            'supervisor_id' => $student ? $this->integer('supervisor_id') : null,
        ];
    }

    /** @return list<int> */
    private function supervisors(): array
    {
        $person = $this->route('person');
        $self = $person instanceof User ? $person->id : 0;

        return array_values(
            User::supervisors((int) $this->user()?->clinic_id)
                ->whereKeyNot($self)
                ->pluck('id')
                ->map(static fn (mixed $id): int => (int) $id)
                ->all(),
        );
    }
}
