<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/**
 * What no window sends, refused before anybody reads it: JSON that is cut off or none (it would be read as empty, and what is empty might
 * be kept), a list or an object where a word is meant, and words that are no text.
 */
final class RefuseOddInput
{
    /** Only these are ever more than a word; each is checked where it is read. */
    private const MORE_THAN_A_WORD = [
        'entries', 'events', 'payload', 'answers', 'off', 'contacts', 'hours', 'pedals', 'school', 'regions', 'spared', 'aids',
        'tries', 'conditions', 'sentences', 'untrained', 'samples', 'budgets', 'weekdays',
    ];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isJson() && $request->getContent() !== '' && ! $this->isJson($request->getContent())) {
            throw new BadRequestHttpException('This is no JSON, or not all of it arrived. Nothing was changed.');
        }
        $odd = [];
        foreach ([...$request->query->all(), ...$request->input()] as $name => $value) {
            if (is_array($value) && ! in_array($name, self::MORE_THAN_A_WORD, true)) {
                $odd[(string) $name] = 'A word is meant here, not a list.';
            }
        }
        if ($odd !== []) {
            throw ValidationException::withMessages($odd);
        }

        return $next($request);
    }

    private function isJson(string $text): bool
    {
        $value = json_decode($text, true);

        return json_last_error() === JSON_ERROR_NONE && is_array($value);
    }
}
