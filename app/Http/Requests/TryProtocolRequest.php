<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Cases\ClinicProtocols;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Planning\Protocol;

/** What would become of a protocol with this client. */
final class TryProtocolRequest extends FormRequest
{
    use AboutVisit;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['protocol' => ['required', 'string', 'max:60'], 'side' => ['nullable', Rule::in(['left', 'right'])]];
    }

    public function protocol(ClinicProtocols $protocols): Protocol
    {
        $user = $this->user();

        return ($user instanceof User ? $protocols->find($user, (string) $this->string('protocol')) : null) ?? abort(404);
    }

    public function side(): ?Side
    {
        return Side::tryFrom((string) $this->string('side'));
    }
}
