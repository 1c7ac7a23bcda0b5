<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Appointment;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class ChangeAppointmentRequest extends FormRequest
{
    use NamesTherapist;

    public function authorize(): bool
    {
        return $this->user()?->can('update', $this->appointment()) === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'day' => ['nullable', 'required_with:time', 'date_format:Y-m-d'],
            'time' => ['nullable', 'required_with:day', 'date_format:H:i'],
            'minutes' => ['nullable', 'integer', 'between:10,180'],
            'person' => $this->therapistRules(),
            'word' => ['nullable', 'string', 'max:120'],
            'status' => ['nullable', Rule::in(['booked', 'arrived', 'missed', 'cancelled'])],
            'seen' => ['required', 'integer', 'min:0'],
            'following' => ['nullable', 'boolean'],
            'anyway' => ['nullable', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['time.date_format' => 'A time like 14:30, please.', 'minutes.between' => 'Between 10 and 180 minutes, please.'];
    }

    public function appointment(): Appointment
    {
        $one = $this->route('appointment');

        return $one instanceof Appointment ? $one : throw new \LogicException('a change is of an appointment');
    }

    /** @return array{minutes?: int, status?: string, word?: string} what is not named stays */
    public function changes(): array
    {
        return [
            ...$this->filled('minutes') ? ['minutes' => $this->integer('minutes')] : [],
            ...$this->filled('status') ? ['status' => (string) $this->string('status')] : [],
            ...$this->filled('word') ? ['word' => (string) $this->string('word')] : [],
        ];
    }

    /** @return CarbonImmutable|null in the clinic's zone; null where it stays */
    public function starts(): ?CarbonImmutable
    {
        return $this->filled('day')
            ? CarbonImmutable::parse("{$this->string('day')} {$this->string('time')}", $this->user()?->clinic->timezone)
            : null;
    }
}
