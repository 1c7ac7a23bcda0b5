<?php

declare(strict_types=1);

namespace App\Keeping;

use GuzzleHttp\Client as Http;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Handler\CurlMultiHandler;
use GuzzleHttp\HandlerStack;
use GuzzleHttp\Promise\PromiseInterface;
use GuzzleHttp\RequestOptions;

/** Somebody at a window: a browser's worth of cookies, speaking to a server over a wire shared with others. */
final class TrialPerson
{
    public readonly Http $http;

    private readonly CookieJar $cookies;

    public function __construct(
        public readonly string $email,
        #[\SensitiveParameter] private readonly string $password,
        string $url,
        CurlMultiHandler $wire,
    ) {
        $this->cookies = new CookieJar;
        $this->http = new Http([
            'handler' => HandlerStack::create($wire), 'base_uri' => $url, RequestOptions::COOKIES => $this->cookies,
            RequestOptions::HTTP_ERRORS => false, RequestOptions::TIMEOUT => 60,
            RequestOptions::ALLOW_REDIRECTS => false, RequestOptions::VERIFY => false, // a trial's own certificate
        ]);
    }

    public function signIn(): void
    {
        $this->http->get('/sign-in');
        $status = $this->send('POST', '/sign-in', ['email' => $this->email, 'password' => $this->password])->wait()->getStatusCode();
        if ($status >= 400) {
            throw new \RuntimeException("nobody could sign in ($status)");
        }
    }

    /** @param  array<string, mixed>|null  $body */
    public function send(string $method, string $path, ?array $body = null): PromiseInterface
    {
        return $this->http->requestAsync(
            $method, $path, [RequestOptions::HEADERS => $this->headers(), ...($body === null ? [] : [RequestOptions::JSON => $body])],
        );
    }

    /** @return array<string, string> what a request has to carry to be believed */
    private function headers(): array
    {
        return [
            'X-XSRF-TOKEN' => urldecode((string) $this->cookies->getCookieByName('XSRF-TOKEN')?->getValue()),
            'Accept' => 'application/json',
        ];
    }
}
