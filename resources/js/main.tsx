import './app.css'; document.body.append('hi');
