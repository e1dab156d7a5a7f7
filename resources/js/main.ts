document.body.append('hello')
