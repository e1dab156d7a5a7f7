<!doctype html>
<html lang="{{ $language }}">
<head>
<meta charset="utf-8">
<title>{{ $words['title'] }}</title>
<style>
@page { margin: 22mm 20mm; }
body { font-family: "DejaVu Sans", sans-serif; font-size: 10.5pt; line-height: 1.45; color: #1c1c1c; }
.head { padding: 8px 12px; background: {{ $settings->colour }}; color: #fff; }
.head strong { font-size: 13pt; }
.head p { margin: 2px 0 0; font-size: 8.5pt; white-space: pre-line; }
h1 { margin: 26px 0 12px; font-size: 16pt; }
table { width: 100%; margin: 14px 0; border-collapse: collapse; }
th { width: 34%; padding: 5px 8px 5px 0; text-align: left; vertical-align: top; font-weight: normal; color: #555; }
td { padding: 5px 0; border-bottom: 1px solid #ddd; vertical-align: top; }
.numbers span { display: inline-block; width: 46%; }
.sign td { height: 46px; border-bottom: 1px solid #333; }
</style>
</head>
<body>
<div class="head"><strong>{{ $settings->reseller }}</strong><p>{{ $settings->letterhead }}</p></div>
<h1>{{ $words['title'] }}</h1>
<table>
<tr><th>{{ $words['from'] }}</th><td>{{ $customer }}</td></tr>
<tr><th>{{ $words['to'] }}</th><td>{{ $wish->losingCarrier }}</td></tr>
<tr><th>{{ $words['date'] }}</th><td>{{ $today }}</td></tr>
</table>
<p>{{ $words['begin'] }}</p>
@if ($wish->isTollFree())
<p>{{ $words['toll'] }}</p>
@endif
<table>
<tr><th>{{ $words['numbers'] }}</th><td class="numbers">@foreach ($numbers as $number)
<span>{{ $number }}</span> @endforeach</td></tr>
<tr><th>{{ $words['name'] }}</th><td>{{ $wish->name }}</td></tr>
<tr><th>{{ $words['address'] }}</th><td>{{ $address }}</td></tr>
<tr><th>{{ $words['account'] }}</th><td>{{ $wish->account }}</td></tr>
@if ($billing !== '')
<tr><th>{{ $words['billing'] }}</th><td>{{ $billing }}</td></tr>
@endif
<tr><th>{{ $words['day'] }}</th><td>{{ $wish->day }}{{ $hours }}</td></tr>
</table>
<p>{{ $wish->isPart ? $words['part'] : $words['whole'] }}</p>
<table class="sign">
<tr><th>{{ $words['signed'] }}</th><td>{{ $wish->signatory }}</td></tr>
<tr><th>{{ $words['place'] }}</th><td></td></tr>
</table>
</body>
</html>
