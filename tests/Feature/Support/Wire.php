<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Standins\CarrierDesk\CarrierDesk;
use Standins\PostTray\PostTray;
use Standins\PracticeSwitch\PracticeSwitch;
use Standins\Shared\Request as StandinRequest;
use Standins\Shared\Standin;
use Standins\Studio\Studio;

/** The wire to stand-ins that live inside the test, with a hook for everything that can go wrong on it. */
final class Wire
{
    public const TOKEN = 'token-of-the-test';

    public readonly PracticeSwitch $switch;

    public readonly CarrierDesk $carrier;

    private ?PostTray $post = null;

    /** Calls that change something on the switch so far. */
    public int $writes = 0;

    /**
     * @var ?\Closure(Request, \Closure(): \GuzzleHttp\Promise\PromiseInterface): ?\GuzzleHttp\Promise\PromiseInterface
     */
    public ?\Closure $interfere = null;

    public function __construct(int $now)
    {
        $this->switch = new PracticeSwitch(':memory:', self::TOKEN, static fn (): int => $now);
        $this->carrier = new CarrierDesk(':memory:', self::TOKEN, static fn (): int => $now);
        Http::preventStrayRequests();
        Http::fake(function (Request $request) {
            $standin = match (parse_url($request->url(), PHP_URL_HOST)) {
                'switch.test' => $this->switch,
                'post.test' => $this->post(),
                'studio.test' => new Studio(self::TOKEN),
                default => $this->carrier,
            };
            $send = fn () => $this->carry($standin, $request);

            return $this->interfere === null ? $send() : (($this->interfere)($request, $send) ?? $send());
        });
    }

    /** @return array<mixed> what the switch answers to somebody with its own password */
    public function byHand(string $method, string $path, mixed $body = null): array
    {
        $response = $this->switch->handle(new StandinRequest(
            $method,
            $path,
            ['authorization' => 'Bearer ' . self::TOKEN, 'acting-for' => 'admin by hand'],
            [],
            $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
        ));
        $answer = json_decode($response->body, true);
        if ($response->status >= 400 || ! is_array($answer)) {
            throw new \RuntimeException("{$method} {$path}: {$response->body}");
        }

        return $answer;
    }

    private function post(): PostTray
    {
        return $this->post ??= new PostTray(sys_get_temp_dir() . '/tray-' . bin2hex(random_bytes(6)));
    }

    /** @return list<string> the letters that were sent, as they lie in the tray */
    public function letters(): array
    {
        $names = json_decode($this->post()->handle(new StandinRequest('GET', '/mail'))->body, true)['mail'];

        return array_map(
            fn (string $name): string => $this->post()->handle(new StandinRequest('GET', "/mail/{$name}"))->body,
            $names,
        );
    }

    public static function isWrite(Request $request): bool
    {
        return $request->method() !== 'GET';
    }

    public static function cut(): never
    {
        throw new ConnectionException('the wire is cut');
    }

    private function carry(Standin $standin, Request $request): \GuzzleHttp\Promise\PromiseInterface
    {
        if ($standin === $this->switch && self::isWrite($request)) {
            $this->writes++;
        }
        parse_str((string) parse_url($request->url(), PHP_URL_QUERY), $query);
        $headers = [];
        foreach ($request->headers() as $name => $values) {
            $headers[strtolower((string) $name)] = $values[0];
        }
        $response = $standin->handle(new StandinRequest(
            $request->method(),
            (string) parse_url($request->url(), PHP_URL_PATH),
            $headers,
            array_filter($query, is_string(...)),
            $request->body(),
        ));

        return $response->isCut()
            ? self::cut()
            : Http::response($response->body, $response->status, $response->headers);
    }
}
