<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Client;
use App\Models\Right;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;

final class BookRequest extends FormRequest
{
    use CarriesKey, NamesTherapist;

    public function authorize(): bool
    {
        return $this->user()?->can('update', $this->client()) === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'day' => ['required', 'date_format:Y-m-d'],
            'time' => ['required', 'date_format:H:i'],
            'minutes' => ['required', 'integer', 'between:10,180'],
            // why somebody comes is clinical
            'reason' => $this->user()?->may(Right::ReadClinical) === true ? ['nullable', 'string', 'max:120'] : ['prohibited'],
            'word' => ['nullable', 'string', 'max:120'],
            'person' => $this->therapistRules(),
            // every so many weeks, so many times
            'every' => ['nullable', 'integer', 'between:1,12'],
            'times' => ['nullable', 'required_with:every', 'integer', 'between:2,52'],
            // whoever stands at the door is here now
            'here' => ['nullable', 'boolean'],
            'anyway' => ['nullable', 'boolean'],
            ...$this->keyRules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'day.required' => 'Which day?', 'time.required' => 'At what time?', 'time.date_format' => 'A time like 14:30, please.',
            'minutes.between' => 'Between 10 and 180 minutes, please.', 'times.required_with' => 'How many times?',
            'times.between' => 'Between 2 and 52 times, please.', 'every.between' => 'Every 1 to 12 weeks, please.',
            'person' => 'Nobody of that number works at the table here.',
        ];
    }

    public function client(): Client
    {
        $client = $this->route('client');

        return $client instanceof Client ? $client : throw new \LogicException('a booking is of a client');
    }

    /**
     * @return non-empty-list<CarbonImmutable> when it begins, each time, in the clinic's zone and at the same time of day
     */
    public function starts(): array
    {
        /** @var User $user */
        $user = $this->user();
        $first = CarbonImmutable::parse("{$this->string('day')} {$this->string('time')}", $user->clinic->timezone);
        $times = $this->filled('every') ? $this->integer('times') : 1;

        return array_map(
            fn (int $k): CarbonImmutable => $first->addWeeks($k * $this->integer('every'))->setTimeFromTimeString($first->format('H:i')),
            range(0, max(1, $times) - 1),
        );
    }
}
